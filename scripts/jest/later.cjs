const { createElement, lazy } = require("react");

/** Stand-in for what is fetched when shown: fetched at once, so that it is there by the time a test looks. */
module.exports = {
  __esModule: true,
  later: (load) => {
    let Part = null;
    const loading = load().then((part) => {
      Part = part;
      return { default: part };
    });
    const Waiting = lazy(() => loading);
    return Object.assign((props) => createElement(Part ?? Waiting, props), { load });
  },
};
