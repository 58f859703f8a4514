// What @swc/jest makes of a file, with the built-ins that the file names held in constants of its own. Tests run in a context of their
// own, where each look-up of a global goes through an interceptor: a hot loop over `Math.max` is twenty times as slow there as in Node.js.
import swc from "@swc/jest";

const builtIns = [
  "Array",
  "BigInt",
  "Boolean",
  "Float64Array",
  "Infinity",
  "JSON",
  "Map",
  "Math",
  "NaN",
  "Number",
  "Object",
  "Set",
  "String",
  "Uint8Array",
  "WeakMap",
];

/** Built-ins that a file names and does not declare. One that is missed here costs time; one too many does not compile. @param {string} code */
const namedIn = (code) =>
  builtIns.filter(
    (name) =>
      new RegExp(`(?<![.\\w$])${name}\\b`).test(code) &&
      !new RegExp(`(?:const|let|var|class|function|import|as)\\s+${name}\\b`).test(code),
  );

const hold = (code) => {
  const named = namedIn(code);
  return named.length === 0 ? code : `const {${named.join(",")}}=globalThis;${code}`;
};

export default {
  createTransformer(options) {
    const made = swc.createTransformer(options);
    const held = (result) => ({ ...result, code: hold(result.code) });
    return {
      ...made,
      process: (...asked) => held(made.process(...asked)),
      processAsync: async (...asked) => held(await made.processAsync(...asked)),
      getCacheKey: (...asked) => `${made.getCacheKey(...asked)}-held-2`,
    };
  },
};
