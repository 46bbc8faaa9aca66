import { aShow, aLine } from '../../../tests/unit/shows';
import { PROP_KINDS, type Prop, type PropKindName } from '../props/registry';
import { newProp } from './newProp';
import { applyEdit } from './edits/registry';
import type { Show } from './schema';

const PANEL = { id: 'panel-5v', name: '5 V panel', chip: 'Panel', colourOrder: 'RGB', volts: 5, order: 'a0' };
const ofType = (show: Show, kind: PropKindName, near?: Prop) => {
  const { prop, edits } = newProp(show, kind, undefined, near);
  const after = applyEdit(show, { type: 'batch', label: 'Add', edits });
  return after.pixelTypes.find(({ id }) => id === prop.pixelTypeId)!;
};

it.each(PROP_KINDS.map(({ kind }) => kind))(
  'gives %s pixels that fit it, whatever the show holds already',
  (name) => {
    const kind = name as PropKindName;
    const wallOnly = { ...aShow(), pixelTypes: [PANEL] };
    for (const show of [aShow(), wallOnly, { ...aShow(), pixelTypes: [] }]) {
      const type = ofType(show, kind);
      expect(type.chip === 'Panel').toBe(kind === 'wall');
      if (kind === 'screen') expect(type).toMatchObject({ name: '5 V strip', volts: 5 });
      if (kind === 'craft') expect(type).toMatchObject({ chip: 'WS2811', volts: 5 });
    }
  },
);

it('takes the pixels of the prop that is chosen, where both may have them', () => {
  const near = aLine('eave', 5, { pixelTypeId: 'rgbw' });
  expect(ofType(aShow(), 'ring', near).id).toBe('rgbw');
  expect(ofType(aShow(), 'screen', near)).toMatchObject({ volts: 5, colourOrder: 'GRB' });
  const screen = { ...near, kind: 'screen' } as unknown as Prop;
  expect(ofType(aShow(), 'screen', screen).id).toBe('rgbw');
  expect(ofType(aShow(), 'line', screen).id).toBe('rgb');
});
