require("reflect-metadata");
require("@testing-library/jest-dom");
require("fake-indexeddb/auto");

// Only to tell a hang from a slow machine.
require("@testing-library/react").configure({ asyncUtilTimeout: 10_000 });

// jsdom lays nothing out, so there is nothing to scroll.
Element.prototype.scrollIntoView = () => {};

/**
 * What can be seen and pressed, from inline styles and the browser's own sheet: no other rule is in the page (see emotion-cache.cjs), yet jsdom goes through
 * all of them for each of the ancestors of everything a test looks for. The rest of a style is jsdom's.
 */
const wholeStyle = window.getComputedStyle.bind(window);
const NOT_DRAWN = /^(HEAD|SCRIPT|STYLE|TEMPLATE|TITLE|META|LINK|DATALIST|NOSCRIPT)$/;
const inherited = (element, name, usual) => {
  for (let at = element; at; at = at.parentElement) if (at.style?.[name]) return at.style[name];
  return usual;
};
const cheap = {
  display: (element) =>
    element.style?.display || (element.hasAttribute("hidden") || NOT_DRAWN.test(element.tagName) ? "none" : "block"),
  visibility: (element) => inherited(element, "visibility", "visible"),
  opacity: (element) => element.style?.opacity || "1",
  pointerEvents: (element) => element.style?.pointerEvents || "auto",
};
const named = (name) => name.replace(/-([a-z])/g, (_, letter) => letter.toUpperCase());
window.getComputedStyle = (element, pseudo) => {
  let whole = null;
  const rest = () => (whole ??= wholeStyle(element, pseudo));
  if (pseudo) return rest();
  return new Proxy(
    {},
    {
      get: (_, name) => {
        if (Object.hasOwn(cheap, name)) return cheap[name](element);
        if (name === "getPropertyValue")
          return (asked) =>
            Object.hasOwn(cheap, named(asked)) ? cheap[named(asked)](element) : rest().getPropertyValue(asked);
        const value = rest()[name];
        return typeof value === "function" ? value.bind(rest()) : value;
      },
      has: (_, name) => name in rest(),
    },
  );
};

/** jsdom goes through the whole page for each label of each field, whenever a test looks for a field by its name. */
const labelsOf = (field) => {
  if (field.type === "hidden") return null;
  const around = field.closest("label:not([for])");
  const pointing = field.id ? field.getRootNode().querySelectorAll(`label[for="${CSS.escape(field.id)}"]`) : [];
  return [...(around ? [around] : []), ...pointing];
};
for (const kind of ["Button", "Input", "Meter", "Output", "Progress", "Select", "TextArea"])
  Object.defineProperty(window[`HTML${kind}Element`].prototype, "labels", {
    configurable: true,
    get() {
      return labelsOf(this);
    },
  });

// React's development build takes a stack trace for each element it makes, for messages that nobody reads here.
const internals = require("react").__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE;
if (internals) Object.defineProperty(internals, "recentlyCreatedOwnerStacks", { get: () => Infinity, set() {} });
