const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

// A module runs when something first uses it, so that the first screen does not wait for those it does not show.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

module.exports = config;
