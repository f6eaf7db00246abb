/** Who looks: an account, which sees what is its own and what was granted to it. */
export interface Viewer {
  readonly accountId: string;
  /** Whether anything was granted to it. What that is, is asked each time: it may be taken back. */
  readonly hasGrants: boolean;
}

/** An account as it sees its own things alone. */
export const ownView = (accountId: string): Viewer => ({ accountId, hasGrants: false });
