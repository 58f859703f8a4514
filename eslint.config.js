import { defineConfig } from "eslint/config";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";
import { wall } from "./lint/wall.js";

// Data in, data out: what waits for nothing.
const withoutPromises = ["app/core/**", "app/ui/words/**", "app/ui/theme/**", "app/demo/**"];
const noPromise = [
  { selector: ":function[async=true]", message: "nothing here waits." },
  { selector: "Identifier[name='Promise']", message: "nothing here waits." },
];

/** How things look is asked of the theme: no class name of one's own, no style but what is computed from data. */
const looks = [
  {
    selector: "JSXAttribute[name.name='className']",
    message: "no class names: take a component of Chakra's or of ui/parts, and its props.",
  },
  {
    selector: "JSXAttribute[name.name='style'] > JSXExpressionContainer > ObjectExpression > Property > Literal.value",
    message: "ask the theme for what is always so; a style says what is computed from data.",
  },
];

/** What has a role of its own is Chakra's; what only repeats inside one (cells, items, runs of text) may be plain. */
const structure =
  "JSXOpeningElement[name.name=/^(h[1-6]|p|table|ul|ol|dl|section|article|aside|nav|main|header|footer|fieldset|figure|a|button|input|select|textarea|dialog|details|summary)$/]";

export default defineConfig(
  { ignores: ["build/**", ".react-router/**", "node_modules/**", ".data/**", "test-results/**"] },
  {
    files: ["**/*.{ts,tsx}"],
    languageOptions: { parser: tseslint.parser },
    plugins: { "@typescript-eslint": tseslint.plugin },
    rules: {
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "@typescript-eslint/no-explicit-any": "error",
      "@typescript-eslint/ban-ts-comment": "error",
      "@typescript-eslint/no-non-null-assertion": "error",
      eqeqeq: "error",
      "no-constant-condition": "error",
      "no-fallthrough": "error",
      "prefer-const": "error",
    },
  },
  {
    // A promise nobody waits for loses its error, and on a server its work. Knowing the types takes most of lint's time: where
    // promises may not be at all (below), nothing is asked.
    files: ["{app,server,test,e2e}/**/*.{ts,tsx}"],
    ignores: withoutPromises,
    languageOptions: { parser: tseslint.parser, parserOptions: { projectService: true } },
    plugins: { "@typescript-eslint": tseslint.plugin },
    rules: { "@typescript-eslint/no-floating-promises": "error" },
  },
  {
    files: ["app/**/*.tsx"],
    plugins: { "react-hooks": reactHooks },
    rules: { "react-hooks/rules-of-hooks": "error", "react-hooks/exhaustive-deps": "error" },
  },
  {
    // What people operate comes from one folder of parts; colours come from the theme.
    files: ["app/ui/parts/**/*.tsx"],
    ignores: ["**/*.test.tsx"],
    rules: { "no-restricted-syntax": ["error", ...looks] },
  },
  {
    files: ["app/**/*.tsx"],
    ignores: ["app/ui/parts/**", "**/*.test.tsx"],
    rules: {
      "no-restricted-syntax": [
        "error",
        ...looks,
        {
          selector: structure,
          message: "take Chakra's component, or one of ui/parts.",
        },
        {
          selector: "Literal[value=/#([0-9a-fA-F]{3}|[0-9a-fA-F]{6})\\b/]",
          message: "take a colour from ui/theme by its role.",
        },
      ],
    },
  },
  ...wall,
  { files: withoutPromises, rules: { "no-restricted-syntax": ["error", ...noPromise] } },
  {
    files: ["app/core/**"],
    ignores: ["**/*.test.*"],
    rules: {
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random" },
        { object: "Date", property: "now" },
      ],
      "no-restricted-syntax": [
        "error",
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: "take the moment as an argument.",
        },
        {
          selector:
            "Program > :matches(VariableDeclaration, ExportNamedDeclaration > VariableDeclaration) > VariableDeclarator > NewExpression[callee.name=/^(Map|Set)$/][arguments.length=0]",
          message:
            "nothing in the core outlives a call unless it is keyed by identity: a WeakMap, with a word on what it keeps.",
        },
        {
          selector: "Program > :matches(VariableDeclaration, ExportNamedDeclaration > VariableDeclaration)[kind='let']",
          message: "nothing in the core outlives a call: no state of a module.",
        },
        ...noPromise,
      ],
    },
  },
);
