/** The validator of the standard's makers ships without types. */
declare module "*gltf-validator/index.js" {
  export function validateBytes(bytes: Uint8Array): Promise<{
    issues: { numErrors: number; numWarnings: number; messages: unknown[] };
    info: { totalTriangleCount: number };
  }>;
}
