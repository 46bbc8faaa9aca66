'use client';

import { useEffect, useRef, type KeyboardEvent, type ReactNode } from 'react';
import { Fetched } from '@/ui/fetched';
import { PrintMenu } from './PrintMenu';
import { useGoTo, useView } from '../view/useView';
import styles from './sheets.module.css';
import { itemAt } from '@/core/units/there';

export interface Sheet {
  /** In the browser's address; the first of a list is shown without one. */
  id: string;
  label: string;
  /** It takes the room of the settings on the right as well. */
  wide?: boolean;
  /** It is the same whatever is chosen. */
  wholeShow?: boolean;
  content: () => ReactNode;
}

/** Sheets in the middle, as tabs above it. The first is the picture. */
export function SheetFrame({ sheets, label }: { sheets: readonly Sheet[]; label: string }) {
  const { sheet } = useView();
  const goTo = useGoTo();
  const tabs = useRef<HTMLDivElement>(null);
  const at = Math.max(
    0,
    sheets.findIndex((each) => each.id === sheet),
  );
  useEffect(() => {
    // On a narrow screen the tabs reach beyond it.
    const strip = tabs.current;
    const tab = strip?.children[at];
    if (!strip || !(tab instanceof HTMLElement)) return;
    const [from, to] = [
      tab.offsetLeft - strip.offsetLeft,
      tab.offsetLeft - strip.offsetLeft + tab.offsetWidth,
    ];
    if (from < strip.scrollLeft || to > strip.scrollLeft + strip.clientWidth) strip.scrollLeft = from - 24;
  }, [at]);
  const show = (index: number) => goTo({ sheet: index === 0 ? null : itemAt(sheets, index).id });
  const keys = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const next = (at + step + sheets.length) % sheets.length;
    show(next);
    tabs.current?.querySelectorAll('button')[next]?.focus();
  };
  return (
    <div className={styles.frame}>
      <div className={styles.head}>
        <div
          ref={tabs}
          className={styles.tabs}
          role="group"
          data-testid="sheet-tabs"
          aria-label={label}
          onKeyDown={keys}
        >
          {sheets.map((each, i) => (
            <button
              key={each.id}
              type="button"
              className={styles.tab}
              data-whole-show={each.wholeShow}
              aria-current={i === at ? 'page' : undefined}
              onClick={() => show(i)}
            >
              {each.label}
            </button>
          ))}
        </div>
        <PrintMenu />
      </div>
      <div className={styles.content} data-wide-sheet={itemAt(sheets, at).wide}>
        <Fetched key={itemAt(sheets, at).id}>{itemAt(sheets, at).content()}</Fetched>
      </div>
    </div>
  );
}
