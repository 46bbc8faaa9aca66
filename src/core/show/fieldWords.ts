/** A builder's names for the fields of records. A field that is not here is called by its last word. */
const WORDS: Record<string, string> = {
  artNetOffset: 'Art-Net offset',
  askBeforeMoving: 'asking before addresses move',
  batches: 'batches',
  bodyMm: 'width of a pixel',
  chip: 'chip',
  colourOrder: 'colour order',
  controllerId: 'controller',
  connector: 'weakest plug or joint',
  dataLead: 'data wire',
  electric: 'current',
  feeds: 'leads',
  firstLedIndex: 'first LED index',
  firstShowChannel: 'first show channel',
  firstUniverse: 'first universe',
  fuseAmps: 'fuse',
  fuseRow: 'row of fuses',
  groundOnly: 'joins grounds alone',
  frameClearanceMm: 'frame clearance',
  label: 'letters before its port numbers',
  lastUniverse: 'last universe',
  mostPixelsPerPort: 'most pixels per port',
  newUniverse: 'where a new universe begins',
  opens: 'comes apart for storage',
  order: 'place in the list',
  others: 'what else hangs on it',
  pieces: 'pieces',
  pixelTypeId: 'pixel type',
  placeId: 'place on site',
  portOptions: 'options of its ports',
  papers: 'printing',
  parts: 'parts at hand and prices',
  ratedAmps: 'rating',
  shape: 'measures',
  site: 'place on the site drawing',
  skippedPixels: 'skipped pixels',
  skippedPixelsTakeChannels: 'skipped pixels take channels',
  spareChannels: 'channels kept free after it',
  typeId: 'kind',
  volts: 'volts',
  wantedRateHz: 'pictures a second',
};

/** `shape.rows` → `measures, rows`: the field of a record as it stands in a sentence. */
export function fieldWords(path: string): string {
  return path
    .split('.')
    .map((part) => WORDS[part] ?? part.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`))
    .join(', ');
}
