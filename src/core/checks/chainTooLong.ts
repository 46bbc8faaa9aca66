import { outputName } from '../panels/chains';
import { outputsPerCard } from '../panels/driver';
import { standingWords } from '../figures/figure';
import { countOf } from '../units/number';
import { defineWallCheck } from './walls';

export const chainTooLong = defineWallCheck(
  'chain-too-long',
  'No output of a wall holds more panels than its driver takes, and no more outputs are used than there are.',
  ({ prop, laid, finding, layAnew, rethread }) => {
    const { driver } = prop.threading;
    const most = driver.mostPanelsPerOutput.value;
    const name = (chain: (typeof laid.chains)[number]) => outputName(chain, laid.cards.length);
    const tooLong = laid.chains.filter((chain) => chain.panels.length > most);
    const outputs = outputsPerCard(driver);
    const beyond = laid.chains.filter((chain) => chain.output > outputs);
    return [
      ...tooLong.slice(0, 1).map((chain) =>
        finding(
          'willNotLight',
          `output ${name(chain)} has ${countOf(chain.panels.length, 'panel')}, ${chain.panels.length - most} more than the ${most} that its driver takes (${standingWords(driver.mostPanelsPerOutput)}). The rest stays dark, or everything flickers.`,
          layAnew('Lay the chains anew, spread evenly', 'zigzag', (after) =>
            after.chains.every((each) => each.panels.length <= most),
          ),
        ),
      ),
      ...beyond.slice(0, 1).map((chain) =>
        finding(
          'willNotLight',
          `it needs output ${name(chain)}, but ${driver.kind === 'cards' ? 'each card' : 'the hat'} has ${countOf(outputs, 'output')}. The panels there stay dark.`,
          [
            ...(prop.threading.chaining.by === 'design' && prop.threading.chaining.style === 'lineEach'
              ? layAnew('Put several lines on an output, zigzag', 'zigzag', (after) =>
                  after.chains.every((each) => each.output <= outputs),
                )
              : []),
            ...(driver.kind === 'hat' && Math.max(...laid.chains.map((each) => each.output)) <= 8
              ? [
                  rethread(`Take a hat with ${Math.max(...laid.chains.map((each) => each.output))} outputs`, {
                    driver: { ...driver, outputs: Math.max(...laid.chains.map((each) => each.output)) },
                  }),
                ]
              : []),
          ],
        ),
      ),
    ];
  },
);
