import { Modal, TextInput } from '@mantine/core';
import { IconSearch } from '@tabler/icons-react';
import { useState, type KeyboardEvent } from 'react';
import { useDialog } from '../view/openDialog';
import styles from '../faces/presets.module.css';
import { PresetPicture } from '../faces/PresetPicture';
import { fitting, lastUsedFirst, rememberUsed } from '../faces/presets';
import { useAddProp } from './useAddProp';

/** Every kind of prop and every way to begin one, as small pictures: found by typing, the last used first. */
export function AddPropDialog() {
  const { open, show } = useDialog();
  const addProp = useAddProp();
  const [query, setQuery] = useState('');
  const [presets] = useState(lastUsedFirst);
  const found = fitting(presets, query);
  const add = (index: number) => {
    const preset = found[index];
    if (!preset) return;
    rememberUsed(preset.label);
    show(null);
    addProp(preset.kind, preset.label);
  };
  const walk = (event: KeyboardEvent<HTMLElement>) => {
    const tiles = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-preset]')];
    const at = tiles.indexOf(document.activeElement as HTMLElement);
    const columns = tiles.filter((tile) => tile.offsetTop === tiles[0]?.offsetTop).length;
    const typing = at === -1;
    const to = {
      ArrowDown: typing ? 0 : at + columns,
      ArrowUp: typing ? -1 : at - columns,
      ...(typing ? {} : { ArrowRight: at + 1, ArrowLeft: at - 1 }),
    }[event.key];
    if (to === undefined || !tiles[to]) return;
    event.preventDefault();
    tiles[to].focus();
  };
  return (
    <Modal opened={open === 'addProp'} onClose={() => show(null)} title="Add a prop" size="min(900px, 96vw)">
      <div onKeyDown={walk}>
        <TextInput
          data-autofocus
          aria-label="Find a kind of prop"
          placeholder="window, net, tree, wall…"
          leftSection={<IconSearch size={16} />}
          value={query}
          onChange={(event) => setQuery(event.currentTarget.value)}
          onKeyDown={(event) => event.key === 'Enter' && add(0)}
        />
        <ul className={styles.grid} aria-label="Kinds of props">
          {found.map((preset, i) => (
            <li key={preset.label}>
              <button type="button" data-preset className={styles.tile} onClick={() => add(i)}>
                <PresetPicture preset={preset} />
                <strong>{preset.label}</strong>
                <span className={styles.hint}>{preset.hint}</span>
              </button>
            </li>
          ))}
        </ul>
        {found.length === 0 && (
          <p className={styles.none}>
            Nothing is called that. A measured line takes any outline of straight pieces, and points from a
            file or a photo any shape at all.
          </p>
        )}
      </div>
    </Modal>
  );
}
