import { MantineProvider } from '@mantine/core';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState, type ReactNode } from 'react';
import { ApplyButton } from './ApplyButton';
import { LengthField, NameField, WholeField } from './fields';

const show = (field: ReactNode) => render(<MantineProvider env="test">{field}</MantineProvider>);

function setup(onCommit: (value: never) => boolean | void = jest.fn()) {
  show(
    <WholeField
      label="Rows"
      what="The number of rows"
      least={1}
      most={1000}
      value={28}
      onCommit={onCommit as never}
    />,
  );
  return screen.getByLabelText('Rows');
}

it('takes a value on Enter, and when it is left', async () => {
  const onCommit = jest.fn();
  const field = setup(onCommit);
  await userEvent.clear(field);
  await userEvent.type(field, '30{Enter}');
  await userEvent.clear(field);
  await userEvent.type(field, '1,000');
  await userEvent.tab();
  expect(onCommit.mock.calls).toEqual([[30], [1000]]);
});

it('keeps what it cannot read, says what is allowed, and gives it up on Escape', async () => {
  const onCommit = jest.fn();
  const field = setup(onCommit);
  await userEvent.clear(field);
  await userEvent.type(field, 'many{Enter}');
  expect(field).toHaveValue('many');
  expect(
    screen.getByText('The number of rows is a whole number from 1 to 1,000; “many” is not.'),
  ).toBeInTheDocument();
  await userEvent.type(field, '{Escape}');
  expect(field).toHaveValue('28');
  expect(onCommit).not.toHaveBeenCalled();
});

it('does not take the same value again', async () => {
  const onCommit = jest.fn();
  const field = setup(onCommit);
  await userEvent.type(field, '{Enter}');
  await userEvent.clear(field);
  await userEvent.type(field, ' 28 {Enter}');
  expect(onCommit).not.toHaveBeenCalled();
});

it('keeps what was typed when the value is not possible here', async () => {
  const field = setup(() => false);
  await userEvent.clear(field);
  await userEvent.type(field, '99{Enter}');
  expect(field).toHaveValue('99');
  expect(screen.getByText('This is not possible here.')).toBeInTheDocument();
});

it('steps by one with the arrows, within its bounds', async () => {
  const onCommit = jest.fn();
  const field = setup(onCommit);
  await userEvent.type(field, '{ArrowUp}{ArrowUp}{ArrowDown}{Enter}');
  expect(onCommit).toHaveBeenCalledWith(29);
});

it('reads lengths as people write them', async () => {
  const onCommit = jest.fn();
  show(
    <LengthField
      label="Length"
      what="The length"
      leastMm={1}
      mostMm={5000}
      value={1200}
      onCommit={onCommit}
    />,
  );
  const field = screen.getByLabelText('Length');
  expect(field).toHaveValue('1.2 m');
  await userEvent.clear(field);
  await userEvent.type(field, '3 ft 6 in{Enter}');
  expect(onCommit.mock.calls[0]![0]).toBeCloseTo(1066.8);
  await userEvent.clear(field);
  await userEvent.type(field, '6 m{Enter}');
  expect(screen.getByText('The length is from 1 mm to 5 m; “6 m” is 6 m.')).toBeInTheDocument();
});

it('cuts a name to what it is', async () => {
  const onCommit = jest.fn();
  show(<NameField label="Name" value="Net" onCommit={onCommit} />);
  const field = screen.getByLabelText('Name');
  await userEvent.clear(field);
  await userEvent.type(field, '{Enter}');
  expect(screen.getByText('A name is needed here.')).toBeInTheDocument();
  await userEvent.type(field, '  Net   curtain {Enter}');
  expect(onCommit).toHaveBeenCalledWith('Net curtain');
});

describe('a length', () => {
  const length = (value: number, more: object = {}) => {
    const onCommit = jest.fn();
    show(
      <LengthField
        label="Long"
        what="It"
        leastMm={1}
        mostMm={100_000}
        value={value}
        onCommit={onCommit}
        {...more}
      />,
    );
    return { field: screen.getByLabelText('Long'), onCommit };
  };
  it('says how it read a number without a unit, until another is typed', async () => {
    const { field, onCommit } = length(900);
    await userEvent.clear(field);
    await userEvent.type(field, '0.8{Enter}');
    expect(onCommit).toHaveBeenCalledWith(800);
    expect(await screen.findByText('0.8 is read as 800 mm.')).toBeInTheDocument();
    await userEvent.clear(field);
    await userEvent.type(field, '850 mm');
    expect(screen.queryByText(/is read as/)).not.toBeInTheDocument();
    await userEvent.tab();
    expect(onCommit).toHaveBeenLastCalledWith(850);
    expect(screen.queryByText(/is read as/)).not.toBeInTheDocument();
  });
  it('is said by how many there are, where it is a spacing', async () => {
    const { field, onCommit } = length(33, { isSpacing: true });
    await userEvent.clear(field);
    await userEvent.type(field, '25/m{Enter}');
    expect(onCommit).toHaveBeenCalledWith(40);
  });
});

it('asks what a bare number means that may be millimetres or pixels a metre', async () => {
  const onCommit = jest.fn();
  show(
    <LengthField
      isSpacing
      label="Pixel spacing"
      what="The pixel spacing"
      leastMm={1}
      mostMm={5000}
      value={100}
      onCommit={onCommit}
    />,
  );
  const field = screen.getByLabelText('Pixel spacing');
  await userEvent.clear(field);
  await userEvent.type(field, '30{Enter}');
  expect(onCommit).not.toHaveBeenCalled();
  await userEvent.click(screen.getByRole('button', { name: /^30 a metre/ }));
  expect(onCommit).toHaveBeenCalledWith(1000 / 30);
  // Said with its unit there is nothing to ask; nor of a number in which no strip is sold.
  for (const [text, mm] of [
    ['30 mm', 30],
    ['25', 25],
  ] as const) {
    await userEvent.clear(field);
    await userEvent.type(field, `${text}{Enter}`);
    expect(onCommit).toHaveBeenLastCalledWith(mm);
  }
});

describe('a button that applies the fields around it', () => {
  it('is refused while one of them cannot be read, with the sentence of that field', async () => {
    const onClick = jest.fn();
    show(
      <form>
        <LengthField
          label="Width"
          what="The width"
          leastMm={1}
          mostMm={5000}
          value={900}
          onCommit={() => {}}
        />
        <ApplyButton type="button" onClick={onClick}>
          Apply
        </ApplyButton>
      </form>,
    );
    const field = screen.getByLabelText('Width');
    await userEvent.clear(field);
    await userEvent.type(field, '0.8');
    await userEvent.click(screen.getByRole('button', { name: 'Apply' }));
    expect(onClick).not.toHaveBeenCalled();
    expect(screen.getByRole('alert')).toHaveTextContent(
      'Nothing is applied: The width is from 1 mm to 5 m; “0.8” is 0.8 mm.',
    );
    expect(field).toHaveFocus();
    await userEvent.clear(field);
    await userEvent.type(field, '0.8 m');
    await userEvent.click(screen.getByRole('button', { name: 'Apply' }));
    expect(onClick).toHaveBeenCalledTimes(1);
    expect(screen.queryByRole('alert')).not.toBeInTheDocument();
  });
  it('applies what was typed last, with the field still open', async () => {
    const applied: number[] = [];
    function Form() {
      const [width, setWidth] = useState(900);
      return (
        <form>
          <LengthField
            label="Width"
            what="The width"
            leastMm={1}
            mostMm={5000}
            value={width}
            onCommit={setWidth}
          />
          <ApplyButton type="button" onClick={() => applied.push(width)}>
            Apply
          </ApplyButton>
        </form>
      );
    }
    show(<Form />);
    const field = screen.getByLabelText('Width');
    await userEvent.clear(field);
    await userEvent.type(field, '850 mm');
    await userEvent.click(screen.getByRole('button', { name: 'Apply' }));
    expect(applied).toEqual([850]);
  });
});
