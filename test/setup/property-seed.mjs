// Property tests draw the same values in every run, so that what CI says of a commit can be said again. PROPERTY_SEED=random
// looks further, PROPERTY_SEED=<number> repeats what a failure printed.
import fc from "fast-check";

const asked = process.env.PROPERTY_SEED ?? "20261128";
const seed = asked === "random" ? Date.now() : Number(asked);
if (!Number.isSafeInteger(seed)) throw new Error(`PROPERTY_SEED is a whole number or "random"; got "${asked}".`);
fc.configureGlobal({ seed });
