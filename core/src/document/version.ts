/** Counts up with every addition to the schema; a client of an older version is shown the page but may not write it. */
export const SCHEMA_VERSION = 7;
/** The code a socket is closed with that speaks for an older schema than the server’s. */
export const OUTDATED = 4001;
