import { newLabel, type Controller } from '@/core/catalogue/controller';
import { newId, newName } from '@/core/fields/fields';
import { useEdit, useShow } from '../show/ShowProvider';
import { useGoTo } from '../view/useView';

/** Adds a controller of a common size, and goes there to say what it really is. */
export function useAddController(): () => void {
  const controllers = useShow((state) => state.show.controllers);
  const edit = useEdit();
  const goTo = useGoTo();
  return () => {
    const label = newLabel(controllers.map((each) => each.label));
    const name = newName(
      `Controller ${label}`,
      controllers.map((each) => each.name),
    );
    const controller: Controller = {
      id: newId(name),
      name,
      label,
      protocol: 'e131',
      ports: 4,
      mostPixelsPerPort: 800,
      firstUniverse: null,
      packing: null,
      artNetOffset: -1,
      firstLedIndex: 0,
      skippedPixelsTakeChannels: false,
    };
    edit({ type: 'addController', controller }, () =>
      goTo({ stage: 'patch', subject: { kind: 'controller', controllerId: controller.id } }),
    );
  };
}
