/** Packing: every container of a class in the order it is packed, what its label must say, and what is ticked off. */
export * from "./marks";
export * from "./containers";
export * from "./ticks";
export * from "./take-home";
export * from "./trays";
export * from "./toppings";
export * from "./stored";
export * from "./call";
export * from "./late-changes";
