import type { Scheme } from '../../answers/compareThreading';
import { formatLength, type Lengths } from '../../units/length';
import { capitalised } from '../../units/words';
import { columnsOf, type Table } from '../../pages/table';

const length = (mm: number, lengths: Lengths) => (mm === 0 ? null : formatLength(Math.round(mm), lengths));

/** Ways to thread a prop, side by side. */
export function schemesTable(propName: string, schemes: readonly Scheme[], lengths: Lengths): Table<Scheme> {
  const hasSeams = schemes.some((scheme) => scheme.plugsPerSeam.length > 0);
  return {
    name: `Ways to thread ${propName}`,
    rows: schemes,
    keyOf: (scheme) => scheme.words + scheme.ports,
    columns: columnsOf<Scheme>(
      {
        id: 'scheme',
        head: 'Scheme',
        meaning: 'where the data enters, which way it goes, in how many runs',
        of: (scheme) => capitalised(scheme.words),
      },
      {
        id: 'ports',
        head: 'Ports',
        meaning: 'a port for each run',
        as: 'figure',
        of: (scheme) => scheme.ports,
      },
      {
        id: 'pixels',
        head: 'Pixels',
        unit: 'a run',
        meaning: 'the shortest and the longest run',
        as: 'figure',
        of: ({ shortestRunPixels: least, longestRunPixels: most }) =>
          least === most ? most : `${least}–${most}`,
      },
      {
        id: 'rate',
        head: 'Rate',
        unit: 'pictures/s',
        meaning: 'what the longest run can show in a second',
        as: 'figure',
        of: ({ frameRateHz, fits }) =>
          fits ? Math.floor(frameRateHz) : { text: `${Math.floor(frameRateHz)} too long`, mood: 'bad' },
      },
      {
        id: 'jumpers',
        head: 'Jumpers',
        meaning: 'wires from one strand to another',
        as: 'figure',
        of: (scheme) => scheme.jumpers,
      },
      {
        id: 'longest-jumper',
        head: 'Longest',
        meaning: 'the longest jumper',
        as: 'figure',
        of: (scheme) => length(scheme.longestJumperMm, lengths),
      },
      {
        id: 'jumpers-in-all',
        head: 'Total',
        meaning: 'all jumpers together',
        as: 'figure',
        of: (scheme) => length(scheme.jumpersMm, lengths),
      },
      hasSeams && {
        id: 'plugs',
        head: 'Plugs',
        unit: 'at each seam',
        meaning: 'data lines that cross a seam along which it is taken apart',
        as: 'figure',
        of: ({ plugs, plugsPerSeam }) =>
          plugsPerSeam.length > 4 ? `${plugs} in all` : plugsPerSeam.join(' + ') || null,
      },
      {
        id: 'feeds',
        head: 'Feed in',
        unit: 'ends and loops',
        meaning: 'places where power can be fed in beside the data',
        as: 'figure',
        of: (scheme) => scheme.feedPlaces,
      },
      {
        id: 'feeds-at-edge',
        head: 'of them',
        unit: 'at its edge',
        meaning: 'places to feed in that lie at the edge of the prop, where a lead gets to them',
        as: 'figure',
        of: (scheme) => scheme.feedPlacesAtEdge,
      },
      {
        id: 'feeds-from-ground',
        head: 'of them',
        unit: 'in reach from the ground',
        meaning: 'those of them that a hand reaches from the ground',
        as: 'figure',
        of: (scheme) => scheme.feedPlacesFromGround,
      },
    ),
  };
}
