/** A typeface is imported as the address that it is served from. */
declare module "*.woff2" {
  const address: string;
  export default address;
}
