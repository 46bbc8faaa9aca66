import '@testing-library/jest-dom';
import { configure } from '@testing-library/react';

// A busy machine is slow, not wrong.
jest.setTimeout(60_000);
configure({ asyncUtilTimeout: 20_000 });

// Parts of the browser that jsdom leaves out and the interface asks for.
window.matchMedia ??= (query: string) =>
  ({
    matches: false,
    media: query,
    addEventListener() {},
    removeEventListener() {},
    addListener() {},
    removeListener() {},
  }) as unknown as MediaQueryList;
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
Element.prototype.scrollIntoView ??= () => {};
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value));
// Drawings are tested where they are computed, and in a real browser.
HTMLCanvasElement.prototype.getContext = () => null;
Blob.prototype.text ??= function text(this: Blob) {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error);
    reader.readAsText(this);
  });
};
