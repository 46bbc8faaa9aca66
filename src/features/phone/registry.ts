import { FirstPowerUpPage } from './FirstPowerUpPage';
import { CodePage } from './CodePage';
import { NotePage } from './NotePage';
import type { PhonePage } from './page';
import { PortsPage } from './PortsPage';
import { PropPage } from './PropPage';
import { TestPage } from './TestPage';
import { TicksPage } from './TicksPage';

/** The pages in the order of the work. A page that is added is one line here. */
export const PHONE_PAGES: readonly PhonePage[] = [
  { id: 'ports', label: 'Ports', about: 'device', Page: PortsPage },
  { id: 'ticks', label: 'Type in', about: 'device', Page: TicksPage },
  { id: 'first-power-up', label: 'Power up', about: 'device', Page: FirstPowerUpPage },
  { id: 'prop', label: 'Prop', about: 'prop', Page: PropPage },
  { id: 'test', label: 'Test', about: 'anything', sends: true, Page: TestPage },
  { id: 'note', label: 'Note', about: 'anything', Page: NotePage },
  { id: 'code', label: 'Code', about: 'nothing', Page: CodePage },
];
