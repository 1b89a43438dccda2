const React = require("react");
const createCache = require("@emotion/cache").default;
const { CacheProvider } = require("@emotion/react");

/**
 * Stand-in for the style cache of the framework. Its rules are written nowhere: jsdom lays nothing out, yet compares every
 * rule with every element whenever a test looks for what can be seen.
 */
const cache = createCache({ key: "css", container: document.createElement("div") });
cache.insert = (_, { name }) => void (cache.inserted[name] = true);
module.exports = {
  AppRouterCacheProvider: ({ children }) => React.createElement(CacheProvider, { value: cache }, children),
};
