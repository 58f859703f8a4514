/** Sheets as data: what each stage shows, the stamp taken from it, and what changed since somebody signed. */
export * from "./contents";
export * from "./stages";
