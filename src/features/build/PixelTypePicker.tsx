'use client';

import { Select } from '@mantine/core';
import { SHIPPED_PIXEL_TYPES, type PixelType } from '@/core/catalogue/pixelType';
import type { Prop } from '@/core/props/registry';
import { useDialog } from '../view/openDialog';
import { useEdit, useShow } from '../show/ShowProvider';

/** Chooses among the show's pixel types and the shipped ones; a shipped one is copied into the show when it is taken. */
export function PixelTypePicker({ prop }: { prop: Prop }) {
  const types = useShow((state) => state.show.pixelTypes);
  const edit = useEdit();
  const known = new Set(types.map((type) => type.id));
  const shipped = SHIPPED_PIXEL_TYPES.filter((type) => !known.has(type.id));
  const option = (type: PixelType) => ({
    value: type.id,
    label: `${type.name} · ${type.chip} ${type.colourOrder}`,
  });

  const choose = (id: string) => {
    if (id === '+') return useDialog.getState().show('pixelTypes');
    const toThis = { type: 'changeProp' as const, propId: prop.id, change: { pixelTypeId: id } };
    const pixelType = shipped.find((type) => type.id === id);
    if (!pixelType) return edit(toThis);
    return edit({
      type: 'batch',
      label: `${prop.name}: pixel type ${pixelType.name}`,
      edits: [{ type: 'addPixelType', pixelType }, toThis],
    });
  };

  return (
    <Select
      label="Pixel type"
      allowDeselect={false}
      value={prop.pixelTypeId}
      maxDropdownHeight={320}
      data={[
        { group: 'In this show', items: types.map(option) },
        { group: 'More types', items: shipped.map(option) },
        { group: 'Change', items: [{ value: '+', label: 'Edit the show’s pixel types…' }] },
      ].filter(({ items }) => items.length > 0)}
      onChange={(id) => {
        if (id) choose(id);
      }}
    />
  );
}
