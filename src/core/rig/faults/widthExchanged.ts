import { seldom } from '../prior';
import { panelsOf, rewireRun, wallRunsOf } from '../rewire';
import { runFault } from '../simpleFaults';

export const widthExchanged = runFault(
  'widthExchanged',
  {
    name: 'Width of a panel for that of the wall',
    layer: 'place',
    prior: seldom('the width of one panel typed for all'),
    sentence: (run) =>
      `The width of one panel is typed where that of the whole wall of ${run} belongs: its rows are cut and stacked.`,
  },
  (rig, place) => {
    const panels = panelsOf(rig.plan, place);
    if (!panels) return rig;
    const { columns, panel } = panels;
    const perPanel = panel.columns * panel.rows;
    return rewireRun(rig, place, (count) =>
      Array.from({ length: count }, (_, i) => {
        // The channels of a picture of one panel’s width, panel after panel.
        const at = Math.floor(i / perPanel);
        const within = i % perPanel;
        return panels.indexOf(
          at % columns,
          Math.floor(at / columns),
          within % panel.columns,
          Math.floor(within / panel.columns),
        );
      }),
    );
  },
  (plan) => wallRunsOf(plan).filter((place) => panelsOf(plan, place)!.columns > 1),
);
