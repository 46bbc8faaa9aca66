import fs from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { STAGES } from '@/core/stages/stages';
import type { SubjectKind } from '@/core/stages/stages';
import { DEMO } from './lantern';

/** An address of a show, below its id, without a sheet. */
interface Spot {
  stage: string;
  address: string;
}

const first = <Item>(list: readonly Item[]): Item => {
  const [item] = list;
  if (!item) throw new Error('The demo show has none.');
  return item;
};

/** The subjects of the demo show that are looked at: one prop of each kind. */
const SUBJECTS: Record<SubjectKind, readonly string[]> = {
  prop: [...new Map(DEMO.props.map((prop) => [prop.kind, `/prop/${prop.id}`])).values()],
  pixel: [`/prop/${first(DEMO.props.filter(({ kind }) => kind === 'grid')).id}/run/1/pixel/7`],
  port: [`/port/${first(DEMO.controllers).label}1`],
  controller: [`/controller/${first(DEMO.controllers).id}`],
};

/** Every stage, without a subject and with each that it can show. A stage that is added is walked by itself. */
export const SPOTS: readonly Spot[] = STAGES.flatMap((stage) => [
  { stage: stage.id, address: '' },
  ...stage.subjects.flatMap((subject) =>
    // A stage that looks at the whole show has the same sheets whatever is chosen.
    (stage.wholeShow ? SUBJECTS[subject].slice(0, 1) : SUBJECTS[subject]).map((address) => ({
      stage: stage.id,
      address,
    })),
  ),
]);

export const STAGE_IDS = STAGES.map((stage) => stage.id);

/** Opens a show once; from then on the walk moves inside it, as a builder does. */
export async function openShow(page: Page, id: string): Promise<void> {
  await page.goto(`/shows/${id}/${STAGE_IDS[0]}`);
  await page.getByTestId('saving').waitFor({ state: 'attached' });
}

/** Goes to a spot of the open show and through those of its sheets that are wanted. What a stage shows of the whole show is looked at once. */
export async function eachSheet(
  page: Page,
  id: string,
  { stage, address }: Spot,
  isWanted: (sheet: string) => boolean,
  look: (name: string, sheet: string) => Promise<void>,
): Promise<void> {
  const path = `/shows/${id}/${stage}${address}`;
  await page.evaluate((to) => {
    window.history.pushState(null, '', to);
    window.dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  const { label, wholeShow } = STAGES.find((each) => each.id === stage)!;
  const stages = page.getByRole('navigation', { name: 'Stages' });
  await stages.locator('[aria-current="page"]', { hasText: label }).waitFor();
  // Sheets that do not depend on the subject are looked at once.
  const all = page.getByTestId('sheet-tabs').getByRole('button');
  const tabs = address === '' ? all : all.and(page.locator(':not([data-whole-show])'));
  await tabs.first().waitFor();
  const once = wholeShow && address !== '';
  const count = once ? 1 : await tabs.count();
  for (let i = 0; i < count; i += 1) {
    const sheet = (await tabs.nth(i).textContent()) ?? '';
    if (!isWanted(sheet)) continue;
    if (i > 0) await tabs.nth(i).click();
    await settled(page);
    await look(`${stage}${address}, ${sheet}`, sheet);
  }
}

/** Until what was fetched or worked out is drawn. */
async function settled(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        let last = '';
        let same = 0;
        const look = () => {
          const now = document.body.innerHTML.length.toString();
          same = now === last ? same + 1 : 0;
          last = now;
          if (same >= 3) resolve();
          else setTimeout(look, 40);
        };
        look();
      }),
  );
}

const AXE = fs.readFileSync(createRequire(__filename).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * Critical and serious problems that axe finds on a page as it stands, one line each.
 *
 * @param within a selector: what is around it is looked at elsewhere
 */
export async function reachProblems(
  page: Page,
  { only, within }: { only?: 'color-contrast'; within?: string } = {},
): Promise<string[]> {
  await page.evaluate(`window.axe ?? (() => {${AXE}})()`);
  return page.evaluate(
    async ({ rule, inside }) => {
      const { axe } = window as unknown as { axe: typeof import('axe-core') };
      const { violations } = await axe.run(inside ?? document, {
        resultTypes: ['violations'],
        preload: false,
        iframes: false,
        ...(rule ? { runOnly: [rule] } : {}),
      });
      return violations
        .filter(({ impact }) => impact === 'critical' || impact === 'serious')
        .map(({ id, nodes }) =>
          `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`.slice(0, 600),
        );
    },
    { rule: only, inside: within },
  );
}
