import { bringUpOf } from '../../bringUp/bringUp';
import { seenOf, stateOf } from '../../bringUp/record';
import { STAGE_WORDS, type BringUpStep } from '../../bringUp/step';
import type { Plan } from '../../plan/planned';
import type { Facts } from '../../show/facts';
import { formatVolts } from '../../units/electric';
import type { Block } from '../../pages/block';
import type { Sheet } from '../../pages/sheet';
import { bringUpTable } from '../tables/bringUp';
import { tableSheet } from './make';
import { lastOf } from '../../units/there';
import { propAt } from '../../plan/records';

/** The test and bring-up log of a prop: step by step, with room for what was read and what was otherwise. */
export function proveSheets(plan: Plan, facts: Facts, index: number): Sheet[] {
  const prop = propAt(plan, index);
  return [
    tableSheet({
      id: `bring-up.${prop.id}`,
      name: `${prop.name}: test and bring-up log`,
      group: 'prove',
      about: { kind: 'prop', propId: prop.id },
      isPaper: true,
      table: () => bringUpTable(prop.name, bringUpOf(plan, index), facts),
      blocks: () => blocksOf(bringUpOf(plan, index), facts),
    }),
  ];
}

function blocksOf(steps: readonly BringUpStep[], facts: Facts): Block[] {
  const blocks: Block[] = [{ is: 'blanks', words: ['Done by', 'on', 'Weather', 'Sender and its version'] }];
  const told = new Set<string>();
  let stage: string | null = null;
  for (const step of steps) {
    if (step.stage !== stage) {
      stage = step.stage;
      blocks.push({ is: 'heading', words: STAGE_WORDS[step.stage] });
    }
    if (step.caution && !told.has(step.caution)) {
      told.add(step.caution);
      blocks.push({ is: 'caution', words: step.caution });
    }
    const last = lastOf(blocks);
    const seen = seenOf(facts, step)?.value;
    const own = {
      words: step.name,
      why: `${step.does}\nExpect: ${step.expect}${seen?.volts !== undefined ? ` Read before: ${formatVolts(seen.volts)}.` : ''}${seen?.words ? ` Noted before: ${seen.words}.` : ''}\nOtherwise: ${step.otherwise}`,
      isStop: step.isStop,
      isDone: stateOf(facts, step) === 'asPlanned',
      write: step.volts ? [`V, planned ${formatVolts(step.volts.planned)}`] : ['what was otherwise'],
    };
    if (last.is === 'steps') blocks[blocks.length - 1] = { is: 'steps', steps: [...last.steps, own] };
    else blocks.push({ is: 'steps', steps: [own] });
  }
  return blocks;
}
