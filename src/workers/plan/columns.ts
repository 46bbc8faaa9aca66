import { itemAt } from '@/core/units/there';
/** Number type of a column: from 0, from below 0, or from 0 with places that hold none. */
const ARRAYS = { whole: Uint32Array, signed: Int32Array, wholeOrNull: Float64Array };
type ColumnType = keyof typeof ARRAYS;
type Column = InstanceType<(typeof ARRAYS)[ColumnType]>;

type NumberFields<Row> = {
  [Field in keyof Row]: Row[Field] extends number | null ? Field : never;
}[keyof Row] &
  string;

/** The columns of rows: one for each field that is a number. A field that is left out is an error of types. */
export type Description<Row> = {
  [Field in NumberFields<Row>]: null extends Row[Field] ? 'wholeOrNull' : 'whole' | 'signed';
};

export type Columns<Row> = Record<NumberFields<Row>, Column>;
type Numbers<Row> = Pick<Row, NumberFields<Row>>;

/** Rows as columns, which can be handed from one thread to another without copying many small objects. */
export function packColumns<Row>(description: Description<Row>, rows: readonly Numbers<Row>[]): Columns<Row> {
  const columns = {} as Columns<Row>;
  for (const field of fieldsOf(description)) {
    const column = new ARRAYS[description[field]](rows.length);
    rows.forEach((row, i) => (column[i] = (row[field] as number | null) ?? NaN));
    columns[field] = column;
  }
  return columns;
}

export function unpackColumns<Row>(description: Description<Row>, columns: Columns<Row>): Numbers<Row>[] {
  const fields = fieldsOf(description);
  const length = fields.length > 0 ? columns[itemAt(fields, 0)].length : 0;
  return Array.from({ length }, (_, i) => {
    const row = {} as Record<NumberFields<Row>, number | null>;
    for (const field of fields) {
      const value = columns[field][i]!;
      row[field] = Number.isNaN(value) ? null : value;
    }
    return row as Numbers<Row>;
  });
}

function fieldsOf<Row>(description: Description<Row>): NumberFields<Row>[] {
  return Object.keys(description) as NumberFields<Row>[];
}
