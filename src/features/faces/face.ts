import type { ComponentType } from 'react';
import type { Plan } from '@/core/plan/planned';
import type { ViewSide } from '@/core/threading/view';
import type { PropKindName, PropOf } from '@/core/props/registry';
import type { Size } from '@/ui/picture/camera';
import type { Palette } from '@/ui/picture/palette';
import type { Sheet } from '../sheets/SheetFrame';

export type ThreadingOf<Kind extends PropKindName> = PropOf<Kind>['threading'];

export interface ThreadingEditorProps<Threading> {
  threading: Threading;
  onChange: (change: Partial<Threading>) => void;
}

/** Draws a prop as large as it goes into a picture of a size. */
export type DrawSmall<Of> = (
  context: CanvasRenderingContext2D,
  prop: Of,
  side: ViewSide,
  size: Size,
  palette: Palette,
) => void;

/** Sheets and editors of a kind of prop. Absent parts are those of any prop made of pixels. */
export interface KindFace<Kind extends PropKindName = PropKindName> {
  /** Editor of its measures. */
  ShapeEditor: ComponentType<{ propId: string; shape: PropOf<Kind>['shape'] }>;
  /** Editor of its data order besides the number of runs. */
  ThreadingEditor?: ComponentType<ThreadingEditorProps<ThreadingOf<Kind>>>;
  /** In the place of the whole panel of Route. */
  RoutePanel?: ComponentType<{ prop: PropOf<Kind> }>;
  /** In the place of the picture on Build. */
  Board?: ComponentType<{ propId: string }>;
  /** In the place of all sheets of Build, or behind them. @param index of the prop in the plan */
  buildSheets?: (plan: Plan, index: number) => Sheet[];
  moreBuildSheets?: (plan: Plan, index: number) => Sheet[];
  /** In the place of its pixels on a small picture. */
  drawSmall?: DrawSmall<PropOf<Kind>>;
  /** In the place of all sheets of Route. */
  threadSheets?: (plan: Plan, index: number) => Sheet[];
}
