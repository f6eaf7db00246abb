/** A link whose target is previewed. */
export interface Previewed {
  target: string;
  link: HTMLElement;
  /** Opened by touch or key, it stays until it is closed. */
  isKept: boolean;
}
