/** Where the layout changes: widths from the narrowest, and heights. */
const variables = {
  // A phone held upright.
  'width-phone': '600px',
  // Below this the sides of the frame go under the picture.
  'width-narrow': '900px',
  // Below this a sheet has one column.
  'width-sheet': '1180px',
  // Below this the frame is higher than the screen, and the page scrolls: a laptop at 200 %.
  'height-low': '560px',
};

const config = {
  plugins: { 'postcss-preset-mantine': {}, 'postcss-simple-vars': { variables } },
};

export default config;
