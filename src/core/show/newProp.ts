import { SHIPPED_PIXEL_TYPES } from '../catalogue/pixelType';
import { newId, newName } from '../fields/fields';
import { kindOf, type Prop, type PropKindName } from '../props/registry';
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
  const wanted = kind.pixelType;
  const known = wanted && show.pixelTypes.find((type) => type.chip === wanted.chip);
  const pixelType = known ?? wanted ?? show.pixelTypes[0] ?? itemAt(SHIPPED_PIXEL_TYPES, 0);
  const place = show.places[0] ?? { id: 'site', name: 'Site' };
  const prop = {
    id: newId(name),
    name,
    placeId: near?.placeId ?? place.id,
    pixelTypeId: wanted ? pixelType.id : (near?.pixelTypeId ?? pixelType.id),
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
