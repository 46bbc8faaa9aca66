import { coloursWithTwoMeanings, jointProblems, type JointWire } from './joint';

const wire = (fn: JointWire['function'], colour: string, from = '', to = ''): JointWire => ({
  function: fn,
  colour,
  mark: '',
  from,
  to,
});

it('finds colours that mean two things, whatever their letters, and leaves out what is not used', () => {
  const found = coloursWithTwoMeanings([
    { name: 'Curtain plug', wires: [wire('ground', 'White'), wire('plus', 'red'), wire('unused', 'red')] },
    { name: 'Node lead', wires: [wire('data', 'white'), wire('plus', 'red'), wire('ground', '')] },
  ]);
  expect(found).toEqual([
    {
      colour: 'white',
      meanings: [
        { function: 'ground', joints: ['Curtain plug'] },
        { function: 'data', joints: ['Node lead'] },
      ],
    },
  ]);
});

it('says which contact two wires take, at which end', () => {
  expect(jointProblems({ wires: [wire('plus', '', '1', '1'), wire('data', '', '2', '1')] })).toEqual([
    'Contact 1 is taken twice at the second end, by wires 1 and 2.',
  ]);
  expect(jointProblems({ wires: [wire('plus', '', '', ''), wire('data', '', '', '')] })).toEqual([]);
});
