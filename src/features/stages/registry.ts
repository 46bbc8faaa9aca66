import { build } from '../build/stage';
import { feed } from '../feed/stage';
import { log } from '../log/stage';
import { papers } from '../papers/stage';
import { patch } from '../patch/stage';
import { prove } from '../prove/stage';
import { thread } from '../thread/stage';
import type { Stage } from './stage';

/** The stages of work in their order. Tabs, keys, help, the search, addresses and findings go by this list. */
export const STAGES: readonly Stage[] = [build, thread, patch, feed, prove, papers, log];
