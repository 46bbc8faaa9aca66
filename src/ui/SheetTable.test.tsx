import { MantineProvider } from '@mantine/core';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { NumberUnitField } from './fields/NumberUnitField';
import { SheetTable } from './SheetTable';

const rows = Array.from({ length: 5 }, (_, i) => ({ name: `Row ${i + 1}`, value: (i + 1) * 1000 }));

function show(part: React.ReactNode) {
  render(<MantineProvider env="test">{part}</MantineProvider>);
}

describe('a table to read', () => {
  it('shows as many rows as it may, counts the rest, and copies all', async () => {
    const user = userEvent.setup();
    show(
      <SheetTable
        label="Rows"
        rows={rows}
        rowKey={(row) => row.name}
        mostRows={2}
        columns={[
          { head: 'Name', cell: (row) => <b>{row.name}</b>, text: (row) => row.name },
          {
            head: 'Value',
            unit: 'mm',
            numeric: true,
            cell: (row) => row.value,
            text: (row) => String(row.value),
          },
          { head: 'Tools', cell: () => <button type="button">Do</button> },
        ]}
      />,
    );
    expect(screen.getAllByRole('row')).toHaveLength(3);
    expect(screen.getByText('The first 2 of 5; the copy holds all.')).toBeInTheDocument();
    await user.click(screen.getByRole('button', { name: 'Copy the table' }));
    expect(await navigator.clipboard.readText()).toBe(
      'Name\tValue (mm)\nRow 1\t1000\nRow 2\t2000\nRow 3\t3000\nRow 4\t4000\nRow 5\t5000',
    );
    expect(screen.getByRole('button', { name: 'Copied' })).toBeInTheDocument();
  });

  it('lets a row be chosen', async () => {
    const onChoose = jest.fn();
    show(
      <SheetTable
        label="Rows"
        rows={rows}
        rowKey={(row) => row.name}
        chosen={(row) => row.value === 2000}
        onChoose={onChoose}
        columns={[{ head: 'Name', cell: (row) => row.name }]}
      />,
    );
    await userEvent.click(screen.getByText('Row 3'));
    expect(onChoose).toHaveBeenCalledWith(rows[2]);
    expect(screen.getByText('Row 2').closest('tr')).toHaveAttribute('data-chosen', 'true');
    expect(screen.queryByRole('button', { name: 'Copy the table' })).toBeNull();
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
