/** What the recordings of a squad's pilots may take up in the database, packed; `BATHYGON_RECORDINGS_MB` for another size. */
export const QUOTA_BYTES = megabytesOf(process.env.BATHYGON_RECORDINGS_MB ?? "1024") * 1024 ** 2;

function megabytesOf(text: string): number {
  const megabytes = Number(text);
  if (!(megabytes > 0)) throw new Error("BATHYGON_RECORDINGS_MB is not a number of megabytes");
  return megabytes;
}
