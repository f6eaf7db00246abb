const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

// A module runs when something first uses it, so that the first screen does not wait for those it does not show.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

const own = (name) => path.join(__dirname, `leftOut/${name}.js`);
const moduleOf = (file) => {
  const [, name, within] = /^(@[^/]+\/[^/]+|[^/]+)\/(.*)$/u.exec(file);
  return path.join(path.dirname(require.resolve(`${name}/package.json`)), within);
};
const isOurs = ({ originModulePath }) => originModulePath.startsWith(path.join(__dirname, 'src'));

/**
 * What libraries bring along and the product never shows would be half of what is fetched before a key shows. By what
 * is asked for, or by the file that answers: what stands in its place.
 */
const ASKED = [
  // The glyph tables of a dozen icon sets.
  { asked: /^@expo\/vector-icons|^(?:@react-native-vector-icons|react-native-vector-icons)\//, gives: own('nothing') },
  { asked: /^@rneui\/themed$/, gives: own('elements') },
  { asked: /^react-native-screens$/, gives: own('navigators') },
  // What draws ripples on Android alone.
  { asked: /^color$/, gives: own('color') },
  // These come as modules and as CommonJS, and would come as both.
  { asked: /^@reduxjs\/toolkit$/, gives: moduleOf('@reduxjs/toolkit/dist/redux-toolkit.browser.mjs') },
  { asked: /^immer$/, gives: moduleOf('immer/dist/immer.mjs') },
  { asked: /^reselect$/, gives: moduleOf('reselect/dist/reselect.mjs') },
  // Of its charts the bars alone are drawn.
  { asked: /^react-native-chart-kit$/, gives: own('charts') },
  { asked: /^react-native-chart-kit\/bars$/, gives: moduleOf('react-native-chart-kit/dist/charts/bar/BarChart.js') },
  { asked: /^expo-router$/, from: isOurs, gives: own('router') },
];
const ANSWERS = [
  { file: /react-native-web\/dist\/(?:cjs\/)?index\.js$/, gives: own('reactNative') },
  { file: /react-native-web\/dist\/(?:cjs\/)?exports\/Animated\//, gives: own('animated') },
  { file: /expo-router\/build\/fork\/native-stack\/createNativeStackNavigator/, gives: own('navigators') },
  { file: /expo-router\/build\/react-navigation\/bottom-tabs\/index\.js$/, gives: own('navigators') },
  { file: /expo-router\/build\/views\/Sitemap\.js$/, gives: own('navigators') },
  { file: /expo-router\/build\/layouts\/stack-utils\/index\.js$/, gives: own('nothing') },
];

config.resolver.resolveRequest = (context, name, platform) => {
  const asked = ASKED.find((each) => each.asked.test(name) && (!each.from || each.from(context)));
  if (asked) return { type: 'sourceFile', filePath: asked.gives };
  const answer = context.resolveRequest(context, name, platform);
  const instead = ANSWERS.find(({ file }) => file.test(answer.filePath));
  return instead ? { type: 'sourceFile', filePath: instead.gives } : answer;
};

module.exports = config;
