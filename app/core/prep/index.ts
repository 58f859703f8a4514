/** Prep: what is done before the class, worked backwards from the doors. */
export * from "./prep";
