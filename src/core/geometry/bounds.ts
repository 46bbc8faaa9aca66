/** An upright rectangle, in millimetres; y up. */
export interface Bounds {
  leftMm: number;
  rightMm: number;
  bottomMm: number;
  topMm: number;
}

/** The smallest upright rectangle around some points; null around none. */
export function boundsOf(xMm: ArrayLike<number>, yMm: ArrayLike<number>): Bounds | null {
  if (xMm.length === 0) return null;
  const bounds = { leftMm: Infinity, rightMm: -Infinity, bottomMm: Infinity, topMm: -Infinity };
  for (let i = 0; i < xMm.length; i += 1) {
    const x = xMm[i]!;
    const y = yMm[i]!;
    if (x < bounds.leftMm) bounds.leftMm = x;
    if (x > bounds.rightMm) bounds.rightMm = x;
    if (y < bounds.bottomMm) bounds.bottomMm = y;
    if (y > bounds.topMm) bounds.topMm = y;
  }
  return bounds;
}
