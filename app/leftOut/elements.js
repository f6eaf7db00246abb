// Of React Native Elements, what holds for all of its parts; the kit asks for each part by itself, where it is drawn.
module.exports = {
  get ThemeProvider() {
    return require('@rneui/themed/dist/config').ThemeProvider;
  },
  get createTheme() {
    return require('@rneui/themed/dist/config').createTheme;
  },
};
