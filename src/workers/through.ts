/** Bytes packed or unpacked by the platform. */
export const through = async (
  bytes: Blob | Uint8Array<ArrayBuffer>,
  change: CompressionStream | DecompressionStream,
): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await new Response(new Response(bytes).body!.pipeThrough(change)).arrayBuffer());
