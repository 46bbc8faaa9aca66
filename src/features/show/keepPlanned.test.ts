import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { SmallServer } from '../../../tests/unit/smallServer';
import type { Finding } from '@/core/checks/check';
import { planShow } from '@/core/plan/plan';
import type { Plan } from '@/core/plan/planned';
import { tickOf } from '@/core/show/facts';
import type { Edit } from '@/core/show/edits/registry';
import type { Show } from '@/core/show/schema';
import { keepPlanned } from './keepPlanned';
import { createShowStore } from './store';

const rename = (name: string): Edit => ({ type: 'changeProp', propId: 'rail', change: { name } });
const pause = () => new Promise((resume) => setTimeout(resume, 1));

function start() {
  const server = new SmallServer(aShow({ props: [aLine('rail', 10)], controllers: [aController()] }));
  const store = createShowStore(server.opened(), { client: server, notify: () => {}, window: 'here' });
  const asked: Show[] = [];
  const answers: { give: () => void; fail: () => void }[] = [];
  const searches: { facts: number; give: (found: readonly Finding[] | null) => void }[] = [];
  const stop = keepPlanned(store, {
    plan: (show) => {
      asked.push(show);
      return new Promise<Plan>((resolve, reject) =>
        answers.push({
          give: () => resolve(planShow(show)),
          fail: () => reject(new Error('out of memory')),
        }),
      );
    },
    findings: (_show, facts) => new Promise((give) => searches.push({ facts: facts.length, give })),
  });
  return { store, asked, answers, searches, stop, names: () => asked.map((show) => show.props[0]!.name) };
}

it('plans the latest show, and leaves out those that were overtaken', async () => {
  const { store, asked, answers, stop, names } = start();
  store.getState().edit(rename('One'));
  store.getState().edit(rename('Two'));
  for (let i = 0; i < 2; i += 1) {
    answers[i]!.give();
    await pause();
  }
  expect(names()).toEqual(['rail', 'Two']);
  expect(store.getState().plan!.show.props[0]!.name).toBe('Two');
  stop();
  store.getState().edit(rename('Three'));
  expect(asked).toHaveLength(2);
});

it('plans a newer show though an older one could not be planned', async () => {
  const { store, answers, stop, names } = start();
  store.getState().edit(rename('One'));
  answers[0]!.fail();
  await pause();
  expect(store.getState().planError).toMatch(/out of memory/);
  answers[1]!.give();
  await pause();
  expect(names()).toEqual(['rail', 'One']);
  expect(store.getState()).toMatchObject({ planError: null });
  expect(store.getState().plan!.show.props[0]!.name).toBe('One');
  stop();
});

const one: Finding = { check: 'odd', rank: 'worthKnowing', stage: 'build', message: 'Odd.', mends: [] };

it('looks again, and plans nothing, when something is noted on site', async () => {
  const { store, asked, answers, searches, stop } = start();
  answers[0]!.give();
  await pause();
  store.getState().note([tickOf('a', 'port.1.pixels', '10')]);
  await pause();
  expect(asked).toHaveLength(1);
  expect(searches.map(({ facts }) => facts)).toEqual([0, 1]);
  searches[0]!.give([]);
  searches[1]!.give([one]);
  await pause();
  expect(store.getState().findings).toEqual([one]);
  stop();
});

it('shows a plan before it is known what is worth a look in it, and keeps nothing that was overtaken', async () => {
  const { store, answers, searches, stop } = start();
  answers[0]!.give();
  await pause();
  expect(store.getState().plan!.show.props[0]!.name).toBe('rail');
  store.getState().edit(rename('One'));
  answers[1]!.give();
  await pause();
  expect(store.getState().plan!.show.props[0]!.name).toBe('One');
  searches[1]!.give([one]);
  await pause();
  searches[0]!.give([]);
  await pause();
  expect(store.getState().findings).toEqual([one]);
  stop();
});
