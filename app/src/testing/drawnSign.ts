/** Stands for a sign where nothing is seen. */
export default function DrawnSign(): null {
  return null;
}
