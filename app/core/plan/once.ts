import type { ClassInput, ClassPlan } from "./types";

/** What is read from a class and its plan, worked out once for as long as somebody holds that plan. */
export function oncePerPlan<T>(
  make: (input: ClassInput, now: ClassPlan) => T,
): (input: ClassInput, now: ClassPlan) => T {
  const known = new WeakMap<ClassPlan, { readonly input: ClassInput; readonly made: T }>();
  return (input, now) => {
    const before = known.get(now);
    if (before?.input === input) return before.made;
    const made = make(input, now);
    known.set(now, { input, made });
    return made;
  };
}
