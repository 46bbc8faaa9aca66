import { Suspense, lazy, useEffect, useState, type ComponentType } from 'react';
import { useShow } from '../show/ShowProvider';
import { useDialog, type DialogName } from '../view/openDialog';

type Named = Exclude<DialogName, null>;

/** Each is fetched when it is first opened. */
const NAMED: Readonly<Record<Named, ComponentType>> = {
  addProp: lazy(async () => ({ default: (await import('../build/AddPropDialog')).AddPropDialog })),
  keys: lazy(async () => ({ default: (await import('./KeyHelp')).KeyHelp })),
  rename: lazy(async () => ({ default: (await import('./RenameShow')).RenameShow })),
  pixelTypes: lazy(async () => ({ default: (await import('../build/PixelTypesDialog')).PixelTypesDialog })),
  phones: lazy(async () => ({ default: (await import('../phones/ShowPhones')).ShowPhones })),
  places: lazy(async () => ({ default: (await import('../build/PlacesDialog')).PlacesDialog })),
};

/** Dialogs that open by themselves or by a key: fetched when the first screen stands, so that they are there at once. */
const LATER = lazy(() => import('./later'));

export function Dialogs() {
  const { open } = useDialog();
  // One that was open stays, so that it gives the focus back when it closes.
  const [opened, setOpened] = useState<readonly Named[]>([]);
  if (open !== null && !opened.includes(open)) setOpened([...opened, open]);
  const planned = useShow((state) => state.plan !== null);
  const [stands, setStands] = useState(false);
  useEffect(() => {
    if (!planned) return;
    const soon = setTimeout(() => setStands(true), 150);
    return () => clearTimeout(soon);
  }, [planned]);
  return (
    <>
      {opened.map((name) => {
        const Dialog = NAMED[name];
        return (
          <Suspense key={name} fallback={null}>
            <Dialog />
          </Suspense>
        );
      })}
      {stands && (
        <Suspense fallback={null}>
          <LATER />
        </Suspense>
      )}
    </>
  );
}
