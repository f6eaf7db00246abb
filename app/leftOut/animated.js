// Nothing of the interface is moved by a library: what moves does so by its sheet, and not at all when less motion is
// asked for. A field of the elements can be shaken, and asks for these.
const View = require('react-native-web/dist/exports/View').default;
const Text = require('react-native-web/dist/exports/Text').default;

const still = { start: (done) => done?.({ finished: true }), stop: () => undefined };

class Value {
  constructor(value) {
    this.value = value;
  }
  setValue(value) {
    this.value = value;
  }
  interpolate() {
    return this.value;
  }
}

module.exports = {
  __esModule: true,
  default: {
    View,
    Text,
    Value,
    timing: () => still,
    spring: () => still,
    sequence: () => still,
    parallel: () => still,
  },
};
