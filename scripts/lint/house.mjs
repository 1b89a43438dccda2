/** A margin, a padding or a gap. */
const SPACE = "Property[key.name=/^([mp][xytblr]?|gap|rowGap|columnGap)$/]";

/** A rule that refuses what a selector finds: syntax that nothing else would mind. */
const refusing = (found) => ({
  create: (context) =>
    Object.fromEntries(
      Object.entries(found).map(([selector, message]) => [selector, (node) => context.report({ node, message })]),
    ),
});

const NO_CLOCK = "Times come in as arguments.";

/** Rules of this house alone, for the linter. */
const house = {
  meta: { name: "house" },
  rules: {
    "numbers-by-words": refusing({
      "CallExpression[callee.property.name='toFixed']":
        "Numbers reach the screen through formatQuantity, quantityText and numeral.",
    }),
    "spaces-on-grid": refusing(
      Object.fromEntries(
        [" > ", " > UnaryExpression > ", " > ObjectExpression > Property > "].map((within) => [
          `JSXAttribute[name.name=/[sS]x$/] ${SPACE}${within}Literal[raw=/\\.(?!50*$)/]`,
          "Spaces stand on a grid of 4 px: halves of 8.",
        ]),
      ),
    ),
    "no-own-clock": refusing({
      "NewExpression[callee.name='Date'][arguments.length=0]": NO_CLOCK,
      "MemberExpression[object.name='Date'][property.name='now']": NO_CLOCK,
      "MemberExpression[object.name='Math'][property.name='random']": "Random sources come in as arguments.",
    }),
  },
};

export default house;
