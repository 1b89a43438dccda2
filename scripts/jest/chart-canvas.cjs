const { createElement } = require("react");

/** Stand-in for the canvas of a chart: says what it would show. */
module.exports = {
  __esModule: true,
  default: ({ label, option }) =>
    createElement("div", {
      role: "img",
      "aria-label": label,
      "data-lines": option.series.map((line) => line.name).join("; "),
    }),
};
