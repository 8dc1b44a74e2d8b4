import js from "@eslint/js";
import globals from "globals";

export default [
  js.configs.recommended,
  {
    languageOptions: { globals: { ...globals.browser, ...globals.serviceworker } },
    rules: {
      // What is taken out of an object so that the rest goes on without it is named, not used.
      "no-unused-vars": ["error", { ignoreRestSiblings: true, argsIgnorePattern: "^_" }],
      // A timer that is set once, by ??=, is read by that.
      "no-unused-private-class-members": "off",
    },
  },
];
