const { getDefaultConfig } = require('expo/metro-config');
const { resolver, transformer } = require('../../app/metro.config');

// Built as the product is: the same modules left out, each run when something first uses it.
const config = getDefaultConfig(__dirname);
config.transformer.getTransformOptions = transformer.getTransformOptions;
config.resolver.resolveRequest = resolver.resolveRequest;

module.exports = config;
