/** The order in which a wall is set up, each step with an id under which its tick is kept. */

const COMMON_END = [
  {
    id: 'test-own',
    words: 'Show the device’s own test picture',
    why: 'it needs no sender: what is wrong now is panels, chains or turns',
  },
  {
    id: 'test-sent',
    words: 'Send the labelled test picture',
    why: 'what is wrong only now is the picture map or the packing',
  },
];

export const HAT_STEPS = [
  {
    id: 'panel',
    words: 'Enter the panel: its size, scan and colour order',
    why: 'the player cannot measure it',
  },
  {
    id: 'hat',
    words: 'Enter the hat: pinout, outputs, longest chain, slow-down',
    why: 'wrong pinout stays dark',
  },
  {
    id: 'chains',
    words: 'Enter the panel map: output, place and turn of each panel',
    why: 'panels left on output 1 place 1 all show the same',
  },
  {
    id: 'picture',
    words: 'Enter the picture: width, height, first pixel, start channel',
    why: 'width of the wall, not of a panel',
  },
  { id: 'enable', words: 'Enable the output', why: 'entered is not enabled' },
  { id: 'save', words: 'Save', why: 'a restart forgets what is not saved' },
  { id: 'restart', words: 'Restart the player', why: 'many settings are read at the start only' },
  ...COMMON_END,
];

export const CARD_STEPS = [
  {
    id: 'link',
    words: 'Plug the first card straight into a gigabit port of the sender',
    why: 'raw frames pass no router, and a slower link stays dark',
  },
  {
    id: 'no-ip',
    words: 'Take the IP configuration off that port',
    why: 'the card has no address; control goes over another link',
  },
  {
    id: 'panel',
    words: 'Enter the panel: its size, scan and colour order',
    why: 'the card cannot measure it',
  },
  { id: 'cards', words: 'Enter each card’s rectangle', why: 'together they cover the wall once' },
  { id: 'chains', words: 'Enter the chains of each card', why: 'outputs in order from the first' },
  { id: 'send', words: 'Send it to the cards', why: 'shown is not sent' },
  { id: 'save', words: 'Save it in the cards', why: 'a power cut forgets what is not saved' },
  { id: 'enable', words: 'Enable the output of the sender', why: 'entered is not enabled' },
  { id: 'restart', words: 'Restart the sender', why: 'many settings are read at the start only' },
  ...COMMON_END,
];
