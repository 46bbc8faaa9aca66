import { SHIPPED_PIXEL_TYPES, type PixelType } from '../catalogue/pixelType';
import { newId, newName } from '../fields/fields';
import { PROP_KINDS, kindOf, type Prop, type PropKindName } from '../props/registry';
import type { SingleEdit } from './edits/registry';
import type { Show } from './schema';
import { itemAt } from '../units/there';

/**
 * A prop as its kind or one of its presets starts, and the edits that add it, with a type of pixel and a place where the show has none.
 *
 * @param near takes the place and the pixels of this one
 */
export function newProp(
  show: Pick<Show, 'props' | 'pixelTypes' | 'places'>,
  kindName: PropKindName,
  presetLabel?: string,
  near?: Prop,
): { prop: Prop; edits: SingleEdit[] } {
  const kind = kindOf({ kind: kindName });
  const preset = kind.presets?.find((each) => each.label === presetLabel) ?? kind;
  const name = newName(
    preset.label,
    show.props.map((prop) => prop.name),
  );
  const pixelType = pixelTypeFor(show, kindName, near);
  const place = show.places[0] ?? { id: 'site', name: 'Site' };
  const prop = {
    id: newId(name),
    name,
    placeId: near?.placeId ?? place.id,
    pixelTypeId: pixelType.id,
    kind: kindName,
    ...preset.starter(),
  } as Prop;
  return {
    prop,
    edits: [
      ...(show.places.length === 0 ? [{ type: 'addPlace' as const, place }] : []),
      ...(show.pixelTypes.some((type) => type.id === pixelType.id)
        ? []
        : [{ type: 'addPixelType' as const, pixelType }]),
      { type: 'addProp', prop },
    ],
  };
}

/**
 * The pixels that fit a kind: the only ones that do, those of a prop of its own kind, the usual ones for it, or those of the show. Panels
 * are for walls alone.
 */
function pixelTypeFor(
  { pixelTypes }: Pick<Show, 'pixelTypes'>,
  kindName: PropKindName,
  near?: Prop,
): PixelType {
  const kind = kindOf({ kind: kindName });
  const inShow = ({ chip, volts }: PixelType) =>
    pixelTypes.find((type) => type.chip === chip && type.volts === volts);
  const only = kind.pixelType;
  if (only) return inShow(only) ?? only;
  const isLoose = ({ id }: PixelType) => !PROP_KINDS.some(({ pixelType }) => pixelType?.id === id);
  const own = near && pixelTypes.find(({ id }) => id === near.pixelTypeId);
  const usual = kind.usualPixelType;
  if (usual) return (near?.kind === kindName && own) || (inShow(usual) ?? usual);
  if (own && isLoose(own) && !kindOf(near).usualPixelType) return own;
  return pixelTypes.find(isLoose) ?? itemAt(SHIPPED_PIXEL_TYPES, 0);
}
