/** FNV-1a, 32 bits, over the parts from both ends; with their count a mark that differs where the parts do. */
export function fingerprint(parts: readonly string[]): string {
  let [forward, backward, length] = [0x811c9dc5, 0x811c9dc5, 0];
  for (const part of parts) {
    for (let k = 0, n = part.length; k < n; k++) {
      forward = Math.imul(forward ^ part.charCodeAt(k), 0x01000193);
      backward = Math.imul(backward ^ part.charCodeAt(n - 1 - k), 0x01000193);
    }
    forward = Math.imul(forward ^ 0x1f, 0x01000193);
    backward = Math.imul(backward ^ forward, 0x01000193);
    length += part.length;
  }
  return [forward >>> 0, backward >>> 0, length].map((part) => part.toString(36)).join('.');
}
