// The routes are screens one after the other in a frame of their own: the native stack, the tab bar and the list of
// routes that the router knows are never drawn. It asks for these of them while it starts.
const { createContext } = require('react');

const nothing = () => null;

module.exports = {
  createNativeStackNavigator: () => ({ Navigator: nothing }),
  BottomTabBarHeightContext: createContext(undefined),
  Sitemap: nothing,
  // What a phone’s own screens are told.
  featureFlags: { experiment: {} },
};
