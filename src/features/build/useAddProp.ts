import { SHIPPED_PIXEL_TYPES } from '@/core/catalogue/pixelType';
import { kindOf, type Prop, type PropKindName } from '@/core/props/registry';
import { newId, newName } from '@/core/fields/fields';
import type { SingleEdit } from '@/core/show/edits/registry';
import { useEdit, useShow } from '../show/ShowProvider';
import { useGoTo, useView } from '../view/useView';

/** Adds a small prop of a kind, or one of its presets, where the builder is working, and goes there to measure it. */
export function useAddProp(): (kind: PropKindName, preset?: string) => void {
  const show = useShow((state) => state.show);
  const { subject } = useView();
  const edit = useEdit();
  const goTo = useGoTo();

  return (kindName, presetLabel) => {
    const kind = kindOf({ kind: kindName });
    const preset = kind.presets?.find((each) => each.label === presetLabel) ?? kind;
    const chosen = show.props.find((prop) => subject?.kind === 'prop' && prop.id === subject.propId);
    const name = newName(
      preset.label,
      show.props.map((prop) => prop.name),
    );
    const wanted = kind.pixelType;
    const known = wanted && show.pixelTypes.find((type) => type.chip === wanted.chip);
    const pixelType = known ?? wanted ?? show.pixelTypes[0] ?? SHIPPED_PIXEL_TYPES[0]!;
    const place = show.places[0] ?? { id: 'site', name: 'Site' };
    const prop = {
      id: newId(name),
      name,
      placeId: chosen?.placeId ?? place.id,
      pixelTypeId: wanted ? pixelType.id : (chosen?.pixelTypeId ?? pixelType.id),
      kind: kindName,
      ...preset.starter(),
    } as Prop;
    const edits: SingleEdit[] = [{ type: 'addProp', prop }];
    if (!show.pixelTypes.some((type) => type.id === pixelType.id))
      edits.unshift({ type: 'addPixelType', pixelType });
    if (show.places.length === 0) edits.unshift({ type: 'addPlace', place });
    edit(edits.length === 1 ? edits[0]! : { type: 'batch', label: `Add ${name}`, edits }, () =>
      goTo({ stage: 'build', subject: { kind: 'prop', propId: prop.id } }),
    );
  };
}
