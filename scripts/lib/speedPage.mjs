// docs/speed.md has places for tables, each between two marks: <!-- table plan --> and <!-- end -->.
const PLACES = /(<!-- table ([\w-]+) -->\n)[\s\S]*?(<!-- end -->)/g;

/** The names of the tables that the page has places for. */
export const placesIn = (text) => [...text.matchAll(PLACES)].map(([, , name]) => name);

/** The page with a table in its place. @throws where it has no such place */
export function withTable(text, name, table) {
  if (!placesIn(text).includes(name)) throw new Error(`docs/speed.md has no place for the table “${name}”.`);
  return text.replace(PLACES, (found, head, at, end) =>
    at === name ? `${head}\n${table}\n\n${end}` : found,
  );
}
