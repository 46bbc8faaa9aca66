import { useMediaQuery } from '@mantine/hooks';
import { useEffect, useState } from 'react';
import type { Drawing } from '@/core/pages/drawing';
import type { CodeOf, Measure } from '@/core/pages/ink';
import { labelPages } from '@/core/pages/labelPages';
import { tableOfPlain, type PlainBlock } from '@/core/pages/plain';
import { drawingSvg, svgElements, svgFile } from '@/core/pages/svg';
import { countOf } from '@/core/units/number';
import { SheetTable } from '@/ui/SheetTable';
import styles from './print.module.css';
import { useLengths } from '@/ui/lengths';

/** About as wide as letters are on average: enough to put white behind words of a drawing. */
const roughly: Measure = (words, sizePt, style) => words.length * sizePt * (style === 'mono' ? 0.62 : 0.54);

/** A sheet as it is on paper, with headings and tables for those who cannot see it. */
export function PaperView({
  sheet,
}: {
  sheet: { name: string; side: string | null; blocks: readonly PlainBlock[] };
}) {
  return (
    <article className={styles.paper} aria-label={sheet.name}>
      <h2>{sheet.name}</h2>
      {sheet.side !== null && <p className={styles.side}>{sheet.side}</p>}
      {sheet.blocks.map((block, i) => (
        // Blocks have no names of their own; they are drawn anew as a whole.
        <BlockView key={i} block={block} />
      ))}
    </article>
  );
}

function BlockView({ block }: { block: PlainBlock }) {
  switch (block.is) {
    case 'heading':
      return <h3>{block.words}</h3>;
    case 'words':
      return <p>{block.words}</p>;
    case 'caution':
      return (
        <p role="note" className={styles.caution}>
          <strong>Caution</strong> {block.words}
        </p>
      );
    case 'blanks':
      return (
        <ul className={styles.blanks}>
          {block.words.map((words) => (
            <li key={words}>
              <span>{words}</span>
            </li>
          ))}
        </ul>
      );
    case 'steps':
      return (
        <ol className={styles.steps}>
          {block.steps.map(({ words, why, isDone, isStop, write = [] }, i) => (
            <li key={i} data-done={isDone}>
              <span>
                <strong>{words}</strong>
                {isStop && <em> Stop here where it is otherwise.</em>}
                {why?.split('\n').map((line) => (
                  <small key={line}>{line}</small>
                ))}
              </span>
              {write.length > 0 && <span className={styles.room}>{write.join(', ')}</span>}
            </li>
          ))}
        </ol>
      );
    case 'table':
      return (
        <SheetTable
          table={tableOfPlain(block.table)}
          after={(block.write ?? []).map(({ head, as }) => ({
            head,
            cell: () => <span className={styles.box} data-as={as} />,
          }))}
        />
      );
    case 'drawing':
      return <DrawingView drawing={block.drawing} />;
    case 'labels':
      return <LabelsView labels={block.labels} />;
    case 'newPage':
      return null;
  }
}

/** As wide as there is room, so that its letters stay as large as on paper. */
function DrawingView({ drawing }: { drawing: Drawing }) {
  const lengths = useLengths();
  const isNarrow = useMediaQuery('(max-width: 700px)');
  return <Svg svg={drawingSvg(drawing, isNarrow ? 330 : 700, isNarrow ? 480 : 560, roughly, lengths)} />;
}

/** Its words were escaped where it was written. */
function Svg({ svg }: { svg: string }) {
  return <div className={styles.drawing} dangerouslySetInnerHTML={{ __html: svg }} />;
}

function LabelsView({ labels }: { labels: Extract<PlainBlock, { is: 'labels' }>['labels'] }) {
  const [codeOf, setCodeOf] = useState<CodeOf | null>(null);
  useEffect(() => {
    let left = false;
    // Only labels draw codes.
    void import('./codes').then((codes) => left || setCodeOf(() => codes.codeOf));
    return () => {
      left = true;
    };
  }, []);
  const perPage = labels.format.columns * labels.format.rows;
  const [page] = labelPages({ ...labels, labels: labels.labels.slice(0, perPage) }, roughly);
  const { widthPt, heightPt } = page!.room;
  const words = `${countOf(labels.labels.length, 'label')} on ${countOf(Math.ceil(labels.labels.length / perPage), 'sheet')}`;
  return (
    <>
      <p>{words}; the first sheet looks so. Print at full size: no fitting to the page.</p>
      <Svg svg={svgFile(widthPt, heightPt, words, svgElements(page!.inks, codeOf))} />
    </>
  );
}
