import type { SettingOut } from '../../props/settingOut';
import { boundsOfSpots, type Drawing, type Shape, type SpotOnDrawing } from '../../pages/drawing';
import { itemAt } from '../../units/there';

const MOST_DRAWN = 400;

/** Places to set out, with the two at which the tapes are hooked. */
export function stakesDrawing(name: string, out: SettingOut, view: string, middle: boolean): Drawing {
  const { places, referenceA, referenceB } = out;
  const step = Math.max(1, Math.ceil(places.length / MOST_DRAWN));
  const drawn = places.filter(
    ({ number }, i) => i % step === 0 || number === referenceA || number === referenceB,
  );
  const every = [1, 2, 5, 10, 25, 50, 100].find((each) => drawn.length / each <= 60) ?? 100;
  const at = (number: number): SpotOnDrawing => [
    itemAt(places, number - 1).xMm,
    itemAt(places, number - 1).yMm,
  ];
  const shapes: Shape[] = [];
  if (places.length > 1) shapes.push({ is: 'path', points: [at(referenceA), at(referenceB)], pen: 'dashed' });
  if (middle) {
    const reach = Math.max(1, ...places.map(({ radiusMm }) => radiusMm)) / 25;
    shapes.push(
      {
        is: 'path',
        points: [
          [-reach, 0],
          [reach, 0],
        ],
        pen: 'thin',
      },
      {
        is: 'path',
        points: [
          [0, -reach],
          [0, reach],
        ],
        pen: 'thin',
      },
    );
  }
  for (const place of drawn) {
    const isReference = place.number === referenceA || place.number === referenceB;
    const spot: SpotOnDrawing = [place.xMm, place.yMm];
    shapes.push({
      is: 'dot',
      at: spot,
      radiusPt: isReference ? 4.5 : 2.5,
      fill: isReference ? 'black' : 'white',
    });
    if (isReference)
      shapes.push({
        is: 'label',
        at: spot,
        words: `${place.number === referenceA ? 'A' : 'B'}: ${place.number}`,
        sizePt: 11,
        bold: true,
        boxed: true,
        upPt: 14,
      });
    else if (place.number === 1 || place.number % every === 0)
      shapes.push({ is: 'label', at: spot, words: String(place.number), sizePt: 8, upPt: 9 });
  }
  return {
    name: `Places of ${name}, ${view}; the tapes are hooked at A and B`,
    bounds: boundsOfSpots([
      ...drawn.map((place): SpotOnDrawing => [place.xMm, place.yMm]),
      ...(middle ? [[0, 0] as const] : []),
    ]),
    shapes,
    isToScale: true,
  };
}
