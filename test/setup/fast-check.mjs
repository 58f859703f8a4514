import real from "../../node_modules/fast-check/lib/fast-check.js";

// The same values in every run, so that what was said of a commit can be said again. PROPERTY_SEED=random looks further,
// PROPERTY_SEED=<number> repeats what a failure printed. PROPERTY_RUNS=<factor> draws so many times as many values.
// Whole classes take long to shrink: a failure ends at once with the seed that repeats it, and PROPERTY_SHRINK=1 looks for the least.
const given = process.env.PROPERTY_SEED;
const settings = { endOnFailure: !process.env.PROPERTY_SHRINK };
if (given !== "random") settings.seed = Number(given ?? 20261128);
real.configureGlobal(settings);

// Tests say how often they draw; a longer look draws that many times more. The library's own object cannot be changed, so tests are
// given this one in its place.
const factor = Number(process.env.PROPERTY_RUNS ?? 1);
export default {
  ...real,
  assert: (property, parameters = {}) =>
    real.assert(property, { ...parameters, numRuns: Math.ceil((parameters.numRuns ?? 100) * factor) }),
};
