// Stands where the build puts a web worker: there is none in Node, and no test of ours that runs in Node may want one.
export default class NoWorker {
  constructor() {
    throw new Error("expected a browser for a web worker; test what the worker calls instead");
  }
}
