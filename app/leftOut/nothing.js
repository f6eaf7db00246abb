// Stands where a library brings along what the product never shows (see metro.config).
module.exports = {};
