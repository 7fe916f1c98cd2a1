/**
 * A number in [−1, 1] that depends on the key alone, so that the demo house is the same whenever
 * and in whatever order it is made. FNV-1a, 32 bits, with a last mix.
 */
export function noise(key: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < key.length; i += 1) {
    hash = Math.imul(hash ^ key.charCodeAt(i), 0x01000193);
  }
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
  hash ^= hash >>> 13;
  return ((hash >>> 0) / 0xffffffff) * 2 - 1;
}
