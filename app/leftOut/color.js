// Shades of a colour, of which nothing is seen on the web: each is the colour itself.
module.exports = function color(given) {
  const shade = { string: () => given };
  for (const name of ['alpha', 'darken', 'rgb']) shade[name] = () => shade;
  return shade;
};
