const core = require('path').join(__dirname, '../core/src/$1/index.ts');

module.exports = {
  preset: 'jest-expo',
  displayName: 'app',
  cacheDirectory: require('path').join(__dirname, '../node_modules/.cache/glossarion/jest'),
  testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
  setupFiles: [require('path').join(__dirname, '../core/src/testing/seed.ts')],
  moduleNameMapper: {
    '^@glossarion/core/(.*)$': core,
    // Signs are drawn for the eye alone; the package has no form that Jest reads.
    '^lucide-react/icons/.*$': require('path').join(__dirname, 'src/testing/drawnSign.ts'),
    // Its React Native build asks for a package that only a phone needs.
    '^lib0/webcrypto$': require('path').join(__dirname, '../node_modules/lib0/dist/webcrypto.node.cjs'),
  },
  transformIgnorePatterns: [
    '/node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|@rneui/.*|react-native-svg|uuid|fractional-indexing|stemmer|@leeoniya|@tiptap|yjs|lib0|y-protocols|y-prosemirror|idb|react-redux|@reduxjs|immer|standard-navigation))',
  ],
};
