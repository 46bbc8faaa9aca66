/** Widths at which the layout changes, from the narrowest. */
const variables = {
  // A phone held upright.
  'width-phone': '600px',
  // Below this the sides of the frame go under the picture.
  'width-narrow': '900px',
  // Below this a sheet has one column.
  'width-sheet': '1180px',
};

const config = {
  plugins: { 'postcss-preset-mantine': {}, 'postcss-simple-vars': { variables } },
};

export default config;
