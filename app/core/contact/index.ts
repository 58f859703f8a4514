/** Cross-contact: what reaches a plate over shared surfaces, tools, fat, toppings, kits and the air, in the order of the timeline. */
export * from "./reach";
export * from "./contacts";
