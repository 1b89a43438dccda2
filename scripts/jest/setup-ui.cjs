require("reflect-metadata");
require("@testing-library/jest-dom");
require("fake-indexeddb/auto");

// Only to tell a hang from a slow machine.
require("@testing-library/react").configure({ asyncUtilTimeout: 10_000 });

// jsdom lays nothing out, so there is nothing to scroll.
Element.prototype.scrollIntoView = () => {};
