import { createTheme, type MantineColorsTuple } from '@mantine/core';

/** Light to dark; the fifth is the lamp itself. */
const lamp: MantineColorsTuple = [
  '#fff5e0',
  '#ffe9c4',
  '#ffd894',
  '#ffc768',
  '#ffb84d',
  '#f0a435',
  '#c97f12',
  '#9a5b00',
  '#7c4900',
  '#5f3800',
];

/** Mantine's own dark parts, in the tones of the product: text first, ground last. */
const dark: MantineColorsTuple = [
  '#c4d2d6',
  '#a9bcc2',
  '#8fa5ac',
  '#5c737b',
  '#2a3c44',
  '#1d2c33',
  '#152127',
  '#0f181c',
  '#0a1114',
  '#070c0e',
];

export const theme = createTheme({
  fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
  fontFamilyMonospace: "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace",
  headings: { fontWeight: '700', fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
  colors: { lamp, dark },
  primaryColor: 'lamp',
  primaryShade: 4,
  autoContrast: true,
  luminanceThreshold: 0.35,
  defaultRadius: 'md',
  cursorType: 'pointer',
  fontSizes: {
    xs: 'var(--text-xs)',
    sm: 'var(--text-sm)',
    md: 'var(--text-md)',
    lg: 'var(--text-lg)',
    xl: 'var(--text-xl)',
  },
  components: {
    Tooltip: { defaultProps: { openDelay: 350, withArrow: true } },
    Button: { defaultProps: { size: 'sm' } },
    // Its thumb is what is taken hold of.
    Slider: { defaultProps: { thumbSize: 'var(--target)' } },
    // The first item takes the focus: the placeholder before it is no child that a menu may have.
    Menu: { defaultProps: { withInitialFocusPlaceholder: false } },
    Modal: { defaultProps: { closeButtonProps: { 'aria-label': 'Close' } } },
    // A closed list of some thousand ports would otherwise be made again, unseen, with every change.
    Select: { defaultProps: { comboboxProps: { keepMounted: false } } },
  },
});
