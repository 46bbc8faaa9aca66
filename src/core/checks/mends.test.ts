import fc from 'fast-check';
import { seenAtLeast, tries } from '../../../tests/unit/tries';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { planShow } from '../plan/plan';
import { applyEdit } from '../show/edits/registry';
import { readShow, writeShowText } from '../show/read';
import type { Finding } from './check';
import { findingsOf } from './registry';

/** The sense of a finding, whatever its figures: the ports, props and devices that it names stay. */
const sense = ({ message }: Finding) => message.replace(/(?<![A-Z]|run |leg |Lead |Supply )\d[\d,.]*/g, 'N');

const isSame = (a: Finding, b: Finding) =>
  a.check === b.check && a.propId === b.propId && a.controllerId === b.controllerId && sense(a) === sense(b);

const countLike = (findings: readonly Finding[], { check, propId }: Finding) =>
  findings.filter((each) => each.check === check && each.propId === propId).length;

it('offers no mend that a show would refuse, and none that leaves what it mends', () => {
  const tried = new Set<string>();
  fc.assert(
    fc.property(anyBusyShow, (show) => {
      readShow(JSON.parse(writeShowText(show)));
      const findings = findingsOf(planShow(show));
      for (const finding of findings)
        for (const mend of finding.mends) {
          tried.add(finding.check);
          const next = applyEdit(show, mend.edit);
          // The server takes it only by every rule of a show, also those that span several of its parts.
          readShow(JSON.parse(writeShowText(next)));
          const after = findingsOf(planShow(next));
          // A leg that is removed leaves its number to the next, of which the same may be said.
          const isOther =
            finding.check === 'empty-leg' && countLike(after, finding) < countLike(findings, finding);
          const left = isOther ? [] : after.filter((each) => isSame(each, finding));
          expect({ mend: mend.label, left }).toEqual({ mend: mend.label, left: [] });
        }
    }),
    { numRuns: tries(80) },
  );
  expect(tried.size).toBeGreaterThanOrEqual(seenAtLeast(13));
});
