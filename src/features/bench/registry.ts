import { BringUpPage } from './BringUpPage';
import { CodePage } from './CodePage';
import type { BenchPage } from './page';
import { PortsPage } from './PortsPage';
import { TicksPage } from './TicksPage';

/** The pages in the order of the work at a device. A page that is added is one line here. */
export const BENCH_PAGES: readonly BenchPage[] = [
  { id: 'ports', label: 'Ports', Page: PortsPage },
  { id: 'ticks', label: 'Type in', Page: TicksPage },
  { id: 'bring-up', label: 'Bring up', Page: BringUpPage },
  { id: 'code', label: 'Code', Page: CodePage },
];
