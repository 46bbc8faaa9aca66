'use client';

import { ActionIcon, Button, Menu, Tooltip } from '@mantine/core';
import { IconMapPin, IconPlus } from '@tabler/icons-react';
import { useEffect, useRef } from 'react';
import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/plan';
import { PROP_KINDS, kindOf, type Prop, type PropKindName } from '@/core/props/registry';
import { KindGlyph } from '@/ui/KindGlyph';
import { useAddProp } from '../build/useAddProp';
import { useShow } from '../show/ShowProvider';
import { useSelection, useView, useGoTo } from '../view/useView';
import { useDialog } from './dialogs';
import styles from './PropList.module.css';

/** The props by place on site, each with its kind, its size and where it is plugged in. */
export function PropList() {
  const show = useShow((state) => state.show);
  const plan = useShow((state) => state.plan);
  const { subject } = useView();
  const selection = useSelection();
  const goTo = useGoTo();
  const addProp = useAddProp();
  const chosen =
    subject?.kind === 'prop'
      ? subject.propId
      : selection.prop === undefined
        ? undefined
        : plan?.show.props[selection.prop]?.id;

  return (
    <>
      <nav className={styles.list} aria-label="Props">
        {show.places.map((place) => {
          const props = show.props.filter((prop) => prop.placeId === place.id);
          return (
            <section key={place.id} aria-label={place.name}>
              <div className={styles.place}>
                <span>{place.name}</span>
                <span className="mono">{props.length}</span>
              </div>
              {props.map((prop) => (
                <PropEntry
                  key={prop.id}
                  prop={prop}
                  plan={plan}
                  chosen={prop.id === chosen}
                  onChoose={() => goTo({ subject: { kind: 'prop', propId: prop.id } })}
                />
              ))}
            </section>
          );
        })}
        {show.props.length === 0 && (
          <p className={styles.empty}>No prop yet. Add the first one below, and measure it in Build.</p>
        )}
      </nav>
      <div className={styles.foot}>
        <Menu position="top-start" width={300}>
          <Menu.Target>
            <Button variant="default" size="compact-md" fullWidth leftSection={<IconPlus size={15} />}>
              Add a prop
            </Button>
          </Menu.Target>
          <Menu.Dropdown>
            {PROP_KINDS.map((kind) => (
              <Menu.Item
                key={kind.kind}
                leftSection={<KindGlyph kind={kind.kind as PropKindName} size={20} />}
                onClick={() => addProp(kind.kind as PropKindName)}
              >
                {kind.label}
                <div style={{ fontSize: 12.5, color: 'var(--text-3)', whiteSpace: 'normal' }}>
                  {kind.hint}
                </div>
              </Menu.Item>
            ))}
          </Menu.Dropdown>
        </Menu>
        <Tooltip label="Places on site">
          <ActionIcon
            variant="default"
            size={30}
            aria-label="Places on site"
            onClick={() => useDialog.getState().show('places')}
          >
            <IconMapPin size={16} />
          </ActionIcon>
        </Tooltip>
      </div>
    </>
  );
}

interface PropEntryProps {
  prop: Prop;
  plan: Plan | null;
  chosen: boolean;
  onChoose: () => void;
}

function PropEntry({ prop, plan, chosen, onChoose }: PropEntryProps) {
  const entry = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (chosen) entry.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  const ports = plan && portsOf(plan, prop.id);
  return (
    <button
      ref={entry}
      type="button"
      className={styles.prop}
      aria-current={chosen}
      data-testid={`prop-${prop.id}`}
      onClick={onChoose}
    >
      <span className={styles.glyph}>
        <KindGlyph kind={prop.kind} />
      </span>
      <span className={styles.words}>
        <span className={styles.name}>{prop.name}</span>
        <span className={`${styles.summary} mono`}>{kindOf(prop).summary(prop.shape)}</span>
      </span>
      {ports && (
        <span className={`${styles.port} mono ${ports.missing ? styles.missing : ''}`}>{ports.words}</span>
      )}
    </button>
  );
}

/** `A3`, `A3–A4`, or that there is none. */
export function portsOf(plan: Plan, propId: string): { words: string; missing: boolean } | null {
  const index = plan.show.props.findIndex((prop) => prop.id === propId);
  if (index === -1) return null;
  const { firstRun, runCount } = plan.props[index]!;
  const runs = plan.runs.slice(firstRun, firstRun + runCount);
  const names = [
    ...new Set(
      runs.flatMap(({ wire }) => (wire ? portName(plan.show.controllers[wire.controller]!, wire.port) : [])),
    ),
  ];
  const missing = runs.some((run) => !run.wire);
  if (names.length === 0) return { words: 'no port', missing: true };
  const words = names.length === 1 ? names[0]! : `${names[0]}–${names[names.length - 1]}`;
  return { words: missing ? `${words} +?` : words, missing };
}
