// Takes the pictures of docs/screenshots from the demo show. Build first: npm run build.
import path from 'node:path';
import { readDemoShow, startBrowser, startDemoServer } from './lib/demoServer';

const FOLDER = path.resolve(__dirname, '../docs/screenshots');

/** File name, address below the show, theme, and a button that is pressed first. */
const PICTURES: readonly [file: string, view: string, scheme: 'dark' | 'light', press?: string][] = [
  ['build', 'build/prop/boathouse-gable', 'dark'],
  ['screen', 'build/prop/club-screen?sheet=preview', 'light'],
  ['route', 'route/prop/net-curtain/run/1/pixel/144', 'dark'],
  ['patch', 'patch/prop/net-curtain', 'dark'],
  ['setting-out', 'build/prop/lighthouse-tower?sheet=setting-out', 'dark'],
  ['site-plan', 'build?sheet=site', 'dark'],
  ['build-sheet', 'route/prop/lighthouse-tower?sheet=build-sheet&from=back', 'dark'],
  ['wall-chains', 'route/prop/score-wall', 'dark'],
  ['print', 'print/prop/score-wall?paper=wall-wire.score-wall', 'light'],
  ['found', 'patch?sheet=found', 'dark'],
  ['network', 'patch?sheet=network', 'dark'],
  ['power', 'power/prop/net-curtain', 'dark'],
  ['schedule', 'power?sheet=schedule', 'light'],
  ['test', 'test/prop/net-curtain', 'dark', 'Strand bands'],
  ['first-power-up', 'test/prop/net-curtain?sheet=first-power-up', 'dark', 'Column 1–10'],
  ['find', 'test/prop/slip-rails?sheet=find', 'dark'],
];

/** Pages beside the stages: file name, address with the show’s id, width and height, what stands there when all of it is drawn. */
const PAGES: readonly [
  file: string,
  address: (id: string) => string,
  width: number,
  height: number,
  there: string,
][] = [
  ['start', () => '/', 1280, 800, 'text=runs on ports'],
  ['practice', () => '/practice?level=3&seed=42', 1280, 800, 'text=things the matter'],
  [
    'phone-prop',
    (id) => `/phone/${id}?page=prop&prop=pier-railing&pixel=34`,
    390,
    844,
    'text=Port and place',
  ],
];

async function main() {
  const server = await startDemoServer();
  const browser = await startBrowser();
  try {
    const id = await server.keep(readDemoShow());
    for (const [file, view, scheme, press] of PICTURES) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.addInitScript((value) => localStorage.setItem('mantine-color-scheme-value', value), scheme);
      await page.goto(`${server.address}/shows/${id}/${view}`);
      await page.getByRole('region', { name: 'Address ruler' }).waitFor();
      if (press) await page.getByRole('main').getByRole('button', { name: press }).click();
      // Fonts and the first frames of the canvases.
      await page.waitForTimeout(['power', 'find', 'print'].includes(file) ? 3000 : 800);
      await page.screenshot({ path: path.join(FOLDER, `${file}.png`) });
      await page.close();
    }
    for (const [file, address, width, height, there] of PAGES) {
      const page = await browser.newPage({ viewport: { width, height } });
      await page.goto(server.address + address(id));
      await page.locator(there).first().waitFor();
      await page.waitForTimeout(800);
      await page.screenshot({ path: path.join(FOLDER, `${file}.png`) });
      await page.close();
    }
  } finally {
    await browser.close();
    server.stop();
  }
}

void main();
