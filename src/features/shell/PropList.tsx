'use client';

import { ActionIcon, Button, Tooltip } from '@mantine/core';
import { IconChevronDown, IconChevronUp, IconMapPin, IconPlus } from '@tabler/icons-react';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { Plan } from '@/core/plan/planned';
import { kindOf, type Prop } from '@/core/props/registry';
import type { Show } from '@/core/show/schema';
import { countOf } from '@/core/units/number';
import { KindGlyph } from '../faces/KindGlyph';
import { useShow } from '../show/ShowProvider';
import { useSelection, useView, useGoTo } from '../view/useView';
import { useDialog } from '../view/openDialog';
import { isMissing, portsOf } from '../view/portsOf';
import styles from './PropList.module.css';

/** The props by place on site, each with its kind, its size and where it is plugged in. */
export function PropList() {
  // The list takes its time with thousands of props; the builder's work must not wait for it.
  const show = useDeferredValue(useShow((state) => state.show));
  const plan = useDeferredValue(useShow((state) => state.plan));
  const { subject } = useView();
  const selection = useSelection();
  const goTo = useGoTo();
  /** On a narrow screen, where the list is a line until it is opened. */
  const [open, setOpen] = useState(false);
  const choose = useCallback<typeof goTo>(
    (...to) => {
      setOpen(false);
      goTo(...to);
    },
    [goTo],
  );
  const chosen =
    subject?.kind === 'prop'
      ? subject.propId
      : selection.prop === undefined
        ? undefined
        : plan?.show.props[selection.prop]?.id;

  const chosenName = show.props.find((prop) => prop.id === chosen)?.name;
  return (
    <div className={styles.frame} data-open={open}>
      <button type="button" className={styles.fold} aria-expanded={open} onClick={() => setOpen(!open)}>
        <span>{chosenName ?? 'All props'}</span>
        <span className={styles.place}>{countOf(show.props.length, 'prop')}</span>
        {open ? <IconChevronUp size={16} /> : <IconChevronDown size={16} />}
      </button>
      <PropsByPlace places={show.places} props={show.props} plan={plan} chosen={chosen} onChoose={choose} />
      <div className={styles.foot}>
        <Button
          variant="default"
          size="compact-md"
          fullWidth
          leftSection={<IconPlus size={15} />}
          onClick={() => useDialog.getState().show('addProp')}
        >
          Add a prop
        </Button>
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
    </div>
  );
}

interface PropsByPlaceProps {
  places: Show['places'];
  props: Show['props'];
  plan: Plan | null;
  /** Id of the prop that is worked on. */
  chosen: string | undefined;
  onChoose: ReturnType<typeof useGoTo>;
}

const PropsByPlace = memo(function PropsByPlace({
  places,
  props,
  plan,
  chosen,
  onChoose,
}: PropsByPlaceProps) {
  const portsByProp = useMemo(() => portsOfAll(plan), [plan]);
  return (
    <nav className={styles.list} aria-label="Props">
      {places.map((place) => {
        const here = props.filter((prop) => prop.placeId === place.id);
        return (
          <section key={place.id} aria-label={place.name}>
            <div className={styles.place}>
              <span>{place.name}</span>
              <span className="mono">{here.length}</span>
            </div>
            {here.map((prop) => (
              <PropEntry
                key={prop.id}
                prop={prop}
                ports={portsByProp.get(prop.id)}
                chosen={prop.id === chosen}
                onChoose={onChoose}
              />
            ))}
          </section>
        );
      })}
      {props.length === 0 && (
        <p className={styles.empty}>No prop yet. Add the first one below, and measure it in Build.</p>
      )}
    </nav>
  );
});

interface PropEntryProps {
  prop: Prop;
  /** `A3`, `A3–A4`, `no port`; undefined until the prop has been planned. */
  ports: string | undefined;
  chosen: boolean;
  onChoose: ReturnType<typeof useGoTo>;
}

const PropEntry = memo(function PropEntry({ prop, ports, chosen, onChoose }: PropEntryProps) {
  const entry = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (chosen) entry.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <button
      ref={entry}
      type="button"
      className={styles.prop}
      title={`${prop.name}: ${kindOf(prop).summary(prop.shape)}`}
      aria-current={chosen}
      data-testid={`prop-${prop.id}`}
      onClick={() => onChoose({ subject: { kind: 'prop', propId: prop.id } })}
    >
      <span className={styles.glyph}>
        <KindGlyph kind={prop.kind} />
      </span>
      <span className={styles.words}>
        <span className={styles.name}>{prop.name}</span>
        <span className={`${styles.summary} mono`}>{kindOf(prop).summary(prop.shape)}</span>
      </span>
      {ports && (
        <span className={`${styles.port} mono ${isMissing(ports) ? styles.missing : ''}`}>{ports}</span>
      )}
    </button>
  );
});

function portsOfAll(plan: Plan | null): Map<string, string> {
  return new Map(plan?.show.props.map((prop, index) => [prop.id, portsOf(plan, index)]));
}
