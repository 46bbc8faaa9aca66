import { nowAndThen } from '../prior';
import { deviceFault } from '../simpleFaults';

export const limiterLow = deviceFault(
  'limiterLow',
  {
    name: 'A limiter set too low',
    layer: 'colour',
    prior: nowAndThen('limiters come with a small figure'),
    sentence: (device) =>
      `The limiter of ${device} holds all of its lights to 500 mA: white is far darker than red.`,
  },
  () => ({ limiter: { amps: 0.5, pixelMa: 60 } }),
);
