/** When a display flickers, and what is likely then. */
interface Flicker {
  when: string;
  likely: string;
  tells: string;
}

export const FLICKERS: readonly Flicker[] = [
  {
    when: 'Always, many lights, in all colours',
    likely:
      'No common ground, a level that is too low for the chips (3.3 V over a long lead), or a data joint that touches now and then.',
    tells:
      'Join the grounds; shorten the lead or put a shifter at its beginning; move the wire by hand while you look.',
  },
  {
    when: 'Every few seconds, all of it at once',
    likely:
      'Two senders in turn, a device that restarts, or a supply that gives out and comes back at full level.',
    tells:
      'Stop the other sender; look at the lamp of the device; send a tenth of the level: a supply holds then.',
  },
  {
    when: 'Only at high levels, at the far end',
    likely: 'Volts are low there: the chips forget what they were told.',
    tells: 'Measure at the far end at white; feed it there.',
  },
  {
    when: 'Only while the device starts',
    likely: 'The pin carries messages of the start, or the start-up picture of its firmware.',
    tells: 'It ends by itself. Where it must not be, take another pin, or power the lights after the device.',
  },
  {
    when: 'The first light alone',
    likely: 'A pin that another program writes on, or the level of the first stretch of wire.',
    tells: 'Switch that program off; put a resistor of some hundred ohms and a short lead before it.',
  },
  {
    when: 'It stutters when pictures move, and never when they stand',
    likely: 'Too many lights for the rate, a wireless link, or a sender that is busy.',
    tells: 'Halve the rate; go by cable; look at the figures of Traffic.',
  },
];
