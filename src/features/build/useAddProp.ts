import type { PropKindName } from '@/core/props/registry';
import { newProp } from '@/core/show/newProp';
import { useEdit, useShow } from '../show/ShowProvider';
import { useGoTo, useView } from '../view/useView';
import { itemAt } from '@/core/units/there';

/** Adds a small prop of a kind, or one of its presets, where the builder is working, and goes there to measure it. */
export function useAddProp(): (kind: PropKindName, preset?: string) => void {
  const show = useShow((state) => state.show);
  const { subject } = useView();
  const edit = useEdit();
  const goTo = useGoTo();

  return (kindName, presetLabel) => {
    const near = show.props.find((each) => subject?.kind === 'prop' && each.id === subject.propId);
    const { prop, edits } = newProp(show, kindName, presetLabel, near);
    edit(edits.length === 1 ? itemAt(edits, 0) : { type: 'batch', label: `Add ${prop.name}`, edits }, () =>
      goTo({ stage: 'build', subject: { kind: 'prop', propId: prop.id } }),
    );
  };
}
