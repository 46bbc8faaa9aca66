const config = {
  plugins: { 'postcss-preset-mantine': {} },
};

export default config;
