/** Stand-in for the style cache of the framework, which tests do not need. */
module.exports = { AppRouterCacheProvider: ({ children }) => children };
