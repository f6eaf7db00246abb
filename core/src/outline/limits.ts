/** The most acts one request may hold. */
export const MAX_ACTS = 500;
