/** The sides of a picture, clockwise as seen from the front. */
export const SCREEN_SIDES = ['top', 'right', 'bottom', 'left'] as const;
export type ScreenSide = (typeof SCREEN_SIDES)[number];

/** The corners of a picture, clockwise as seen from the front. */
export const SCREEN_CORNERS = ['topLeft', 'topRight', 'bottomRight', 'bottomLeft'] as const;
export type ScreenCorner = (typeof SCREEN_CORNERS)[number];

/** The side that begins at each corner, clockwise. */
export const SIDE_BEHIND: Record<ScreenCorner, ScreenSide> = {
  topLeft: 'top',
  topRight: 'right',
  bottomRight: 'bottom',
  bottomLeft: 'left',
};

/** The corner at which each side begins, clockwise. */
export const CORNER_BEFORE: Record<ScreenSide, ScreenCorner> = {
  top: 'topLeft',
  right: 'topRight',
  bottom: 'bottomRight',
  left: 'bottomLeft',
};

export const SCREEN_STARTS = [...SCREEN_CORNERS, 'bottomMiddle'] as const;
export type ScreenStart = (typeof SCREEN_STARTS)[number];

/** As somebody on the other side calls them. */
export const otherSide = <Of extends string>(of: Of): Of =>
  of.replace(/left|right|Left|Right/, (word) =>
    word === 'left' ? 'right' : word === 'right' ? 'left' : word === 'Left' ? 'Right' : 'Left',
  ) as Of;

const START_WORDS: Record<ScreenStart, string> = {
  topLeft: 'top left',
  topRight: 'top right',
  bottomRight: 'bottom right',
  bottomLeft: 'bottom left',
  bottomMiddle: 'middle of the bottom',
};

/** The name of a corner or a start from one side of the screen. */
export const startWords = (start: ScreenStart, isBack = false): string =>
  START_WORDS[isBack ? otherSide(start) : start];
