import { build } from '../build/stage';
import { log } from '../log/stage';
import { patch } from '../patch/stage';
import { power } from '../power/stage';
import { print } from '../print/stage';
import { route } from '../route/stage';
import { testing } from '../testing/stage';
import type { Stage } from './stage';

/** The stages of work in their order. Tabs, keys, help, the search, addresses and findings go by this list. */
export const STAGES: readonly Stage[] = [build, route, patch, power, testing, print, log];
