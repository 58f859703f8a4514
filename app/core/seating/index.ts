/** Seats: what is wrong with a seating, and the search for a better one. */
export * from "./seating";
