/**
 * Whether the pointer itself moved: a browser also tells of movement, of none in each direction, when something comes to
 * stand under a pointer that rests.
 */
export const hasPointerMoved = ({ movementX, movementY }: { movementX: number; movementY: number }): boolean =>
  movementX !== 0 || movementY !== 0;
