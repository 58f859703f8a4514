/** From people to pieces, from pieces to batches, from pieces to loads. */
export * from "./scale";
