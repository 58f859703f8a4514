/**
 * A response that is compressed passes those who wait for it to drain on to the packing stream, and never takes them off again: a long
 * page leaves dozens, and the process warns of a leak. One listener stands there for all of them, and they come and go here.
 * Stands behind compression().
 * @type {import("express").RequestHandler}
 */
export function oneDrain(_request, response, next) {
  const waiting = new Set();
  const { on, removeListener } = response;
  let isWatched = false;
  response.on = response.addListener = function (name, listener) {
    if (name !== "drain") return on.call(this, name, listener);
    waiting.add(listener);
    if (!isWatched) {
      isWatched = true;
      on.call(this, "drain", () => [...waiting].forEach((one) => one.call(this)));
    }
    return this;
  };
  response.removeListener = response.off = function (name, listener) {
    if (name === "drain" && waiting.delete(listener)) return this;
    return removeListener.call(this, name, listener);
  };
  next();
}
