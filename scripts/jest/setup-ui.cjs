require("reflect-metadata");
require("@testing-library/jest-dom");
require("fake-indexeddb/auto");

// Only to tell a hang from a slow machine.
require("@testing-library/react").configure({ asyncUtilTimeout: 10_000 });

// jsdom lays nothing out, so there is nothing to scroll.
Element.prototype.scrollIntoView = () => {};

// React's development build takes a stack trace for each element it makes, for messages that nobody reads here.
const internals = require("react").__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE;
if (internals) Object.defineProperty(internals, "recentlyCreatedOwnerStacks", { get: () => Infinity, set() {} });
