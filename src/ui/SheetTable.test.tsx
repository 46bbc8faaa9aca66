import { MantineProvider } from '@mantine/core';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { computed, given, quotient } from '@/core/figures/explained';
import type { Table } from '@/core/pages/table';
import { NumberUnitField } from './fields/NumberUnitField';
import { SheetTable } from './SheetTable';

const rows = Array.from({ length: 5 }, (_, i) => ({ name: `Row ${i + 1}`, value: (i + 1) * 1000 }));

function show(part: React.ReactNode) {
  render(<MantineProvider env="test">{part}</MantineProvider>);
}

const table: Table<(typeof rows)[number]> = {
  name: 'Rows',
  rows,
  keyOf: (row) => row.name,
  columns: [
    { id: 'name', head: 'Name', meaning: 'what it is called', as: 'key', of: (row) => row.name },
    {
      id: 'value',
      head: 'Value',
      unit: 'mm',
      meaning: 'how long it is',
      as: 'figure',
      of: (row) => row.value,
    },
    {
      id: 'fits',
      head: 'Fits',
      meaning: 'whether it goes in',
      of: (row) => (row.value > 2000 ? { text: 'no', note: 'too long', mood: 'bad' } : null),
    },
    {
      id: 'half',
      head: 'Half',
      meaning: 'of the value',
      of: (row) =>
        computed('half', 'mm', quotient(given('value', row.value, 'mm'), given('two', 2, 'number'))),
    },
  ],
};

describe('a table to read', () => {
  it('shows as many rows as it may, counts the rest, and copies all', async () => {
    const user = userEvent.setup();
    show(
      <SheetTable
        table={table}
        mostRows={3}
        before={{ head: 'Picture', cell: () => '◦' }}
        fields={{ name: (row) => <input aria-label={`Name of ${row.name}`} defaultValue={row.name} /> }}
        after={{ head: 'Tools', cell: () => <button type="button">Do</button> }}
      />,
    );
    expect(screen.getAllByRole('row')).toHaveLength(4);
    expect(screen.getByRole('row', { name: /Row 3/ })).toHaveTextContent('3,000notoo long1.5 mDo');
    expect(screen.getByText('no').closest('td')).toHaveAttribute('data-mood', 'bad');
    expect(screen.getByRole('columnheader', { name: 'Value mm' })).toHaveAttribute('title', 'how long it is');
    expect(screen.getByText('The first 3 of 5; the copy holds all.')).toBeInTheDocument();
    await user.click(screen.getByRole('button', { name: 'Copy the table' }));
    expect(await navigator.clipboard.readText()).toBe(
      [
        'Name\tValue (mm)\tFits\tHalf',
        'Row 1\t1000\t\t500 mm',
        'Row 2\t2000\t\t1 m',
        'Row 3\t3000\tno (too long)\t1.5 m',
        'Row 4\t4000\tno (too long)\t2 m',
        'Row 5\t5000\tno (too long)\t2.5 m',
      ].join('\n'),
    );
    expect(screen.getByRole('button', { name: 'Copied' })).toBeInTheDocument();
  });

  it('lets a row be chosen', async () => {
    const onChoose = jest.fn();
    show(<SheetTable table={table} chosen={(row) => row.value === 2000} onChoose={onChoose} />);
    await userEvent.click(screen.getByText('Row 3'));
    expect(onChoose).toHaveBeenCalledWith(rows[2]);
    expect(screen.getByText('Row 2').closest('tr')).toHaveAttribute('data-chosen', 'true');
  });
});

describe('a number with a unit', () => {
  const onCommit = jest.fn();
  beforeEach(() => {
    onCommit.mockClear();
    show(
      <NumberUnitField
        label="Current"
        unit="A"
        least={0.05}
        most={20}
        value={4}
        hint="Usual are 2 to 4 A."
        onCommit={onCommit}
      />,
    );
  });
  const type = async (text: string) => {
    await userEvent.clear(screen.getByLabelText('Current'));
    await userEvent.type(screen.getByLabelText('Current'), `${text}{Enter}`);
  };

  it.each([
    ['3.5', 3.5],
    ['3,5 A', 3.5],
    ['3500 mA', 3.5],
    ['.5a', 0.5],
  ])('reads %s', async (text, value) => {
    await type(text);
    expect(onCommit).toHaveBeenCalledWith(value);
  });

  it.each(['60 W', '400', 'much', '-1', '0'])('refuses %s, with what is plausible', async (text) => {
    await type(text);
    expect(onCommit).not.toHaveBeenCalled();
    expect(screen.getByText(`From 0.05 to 20 A; “${text}” is not. Usual are 2 to 4 A.`)).toBeInTheDocument();
  });
});
