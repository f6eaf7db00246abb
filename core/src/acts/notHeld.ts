/** Thrown when an act asks for what an outline in memory does not hold. */
export class NotHeld extends Error {
  override name = 'NotHeld';
}
