// Of the router’s parts, those that the product uses.
module.exports = {
  get router() {
    return require('expo-router/build/imperative-api').router;
  },
  get usePathname() {
    return require('expo-router/build/hooks').usePathname;
  },
  get useLocalSearchParams() {
    return require('expo-router/build/hooks').useLocalSearchParams;
  },
  get Slot() {
    return require('expo-router/build/views/Navigator').Slot;
  },
  get Redirect() {
    return require('expo-router/build/link/Redirect').Redirect;
  },
};
