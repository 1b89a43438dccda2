require("reflect-metadata");
require("@testing-library/jest-dom");

// jsdom lays nothing out, so there is nothing to scroll.
Element.prototype.scrollIntoView = () => {};
