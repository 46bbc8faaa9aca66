/** The lantern of the product, drawn in the colour of the text around it. */
export function LanternMark({ size = 24 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" fill="none" aria-hidden>
      <path
        d="M9 2.5h6M12 2.5v2.8M5.8 7.3h12.4M6.8 7.3 8.2 19h7.6l1.4-11.7M7.4 22h9.2"
        stroke="currentColor"
        strokeWidth="1.8"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      <path d="M12 9.4c1.8 1.9 2.4 3 2.4 4.1a2.4 2.4 0 0 1-4.8 0c0-1.1.6-2.2 2.4-4.1Z" fill="currentColor" />
    </svg>
  );
}
