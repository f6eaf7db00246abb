/** Where the server listens for what is typed, and says which kinds of blocks this window knows. */
export function socketAddress(schemaVersion: number): URL {
  const address = new URL(`/api/socket?schema=${schemaVersion}`, window.location.href);
  address.protocol = address.protocol.replace('http', 'ws');
  return address;
}
