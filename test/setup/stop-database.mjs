export default function stopDatabase() {
  globalThis.apronBellTestCluster.remove();
}
