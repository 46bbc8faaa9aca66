import type { SourceWish } from './sourceWish';

interface SourcePart {
  name: string;
  why: string;
}

/** A cable, from a socket to a socket. */
interface SourceCable {
  from: string;
  to: string;
}

/** Tests on the bench, before anything is glued. */
interface SourceTest {
  what: string;
  expect: string;
  otherwise: string;
}

interface SourcePath {
  parts: SourcePart[];
  cables: SourceCable[];
  /** Losses on this way, and things that cannot be had. */
  losses: string[];
  tests: SourceTest[];
}

/** Ways of a picture to the screen and to the capture, by classes of devices. */
export function sourcePath(wish: SourceWish): SourcePath {
  const { sources, isProtected, isLarge, isHdr, usesBuiltIn, usesRemote, capturePassesOn } = wish;
  const parts: SourcePart[] = [];
  const cables: SourceCable[] = [];
  const losses: string[] = [];
  let last = 'the source, its picture output';
  if (sources > 1) {
    parts.push({
      name: `A switch: ${sources} in, one out`,
      why: 'several sources share the one picture that is captured; a receiver with a picture output does the same',
    });
    for (let i = 1; i <= sources; i += 1) cables.push({ from: `source ${i}`, to: `switch, in ${i}` });
    last = 'switch, out';
  }
  if (capturePassesOn) {
    parts.push({
      name: 'A capture device that passes the picture on',
      why: 'it takes the picture and gives it to the screen: no splitter',
    });
    cables.push({ from: last, to: 'capture, in' }, { from: 'capture, out', to: 'screen' });
    losses.push(
      'The screen gets no more than the capture device lets through: compare both data sheets, also for rate and HDR.',
    );
  } else {
    parts.push(
      {
        name: 'A splitter: one in, two out',
        why: isLarge
          ? 'one output for the screen as it is, one that is scaled down to 1080p for the capture'
          : 'one output for the screen, one for the capture',
      },
      {
        name: 'A capture device for 1080p',
        why: 'the lights need no more; a smaller picture is sooner worked out',
      },
    );
    cables.push(
      { from: last, to: 'splitter, in' },
      { from: 'splitter, out 1', to: 'screen' },
      { from: `splitter, out 2${isLarge ? ' (scaled)' : ''}`, to: 'capture, in' },
    );
  }
  cables.push({ from: 'capture, its data plug', to: 'the small computer' });
  if (usesBuiltIn)
    losses.push(
      'Programs built into the screen never leave it: no capture sees them, and the lights stay dark. Play them on a box of their own.',
    );
  if (isProtected)
    losses.push(
      'Protected sources agree with every device on the way first. A splitter that cannot take part leaves the picture black: ask for one that says so for your source.',
    );
  if (isHdr)
    losses.push(
      'A picture in HDR looks pale to a capture that does not know it: the second output has to map its tones, or the lights are washed out beside a right picture.',
    );
  if (usesRemote && !capturePassesOn)
    losses.push(
      'Some splitters cut the line by which one remote switches all: look for one that passes it on, or give the control a way of its own.',
    );
  return { parts, cables, losses, tests: testsOf(wish) };
}

function testsOf({ sources, isProtected, isHdr, usesRemote, capturePassesOn }: SourceWish): SourceTest[] {
  return [
    {
      what: 'The source straight into the screen',
      expect: 'the picture, with its sound',
      otherwise: 'the cable, the socket or the source; nothing else is to blame yet',
    },
    ...(sources > 1
      ? [
          {
            what: 'Through the switch, each source in turn',
            expect: 'each picture, as large and as smooth as before',
            otherwise: 'a socket of the switch that takes less: try the others, or a shorter cable',
          },
        ]
      : []),
    {
      what: capturePassesOn
        ? 'Through the capture device to the screen'
        : 'Through the splitter to the screen',
      expect: 'the same picture',
      otherwise: isProtected
        ? 'black: the devices did not agree; switch off all, and on again from the screen backwards'
        : 'smaller or less smooth: it takes less than the source sends',
    },
    {
      what: 'A still in the capture program',
      expect: isHdr ? 'the picture with its full colours' : 'the picture',
      otherwise: isHdr
        ? 'pale: no tone mapping; black: the agreement; nothing: another socket, untick the device and save, restart'
        : 'black: the agreement; nothing: another socket, untick the device and save, restart',
    },
    ...(usesRemote
      ? [
          {
            what: 'Screen and source switched on by the one remote',
            expect: 'both come on, and the right input',
            otherwise: 'something on the way cuts the control line',
          },
        ]
      : []),
    {
      what: 'A white screen for ten minutes',
      expect: 'lights as bright as at the beginning, nothing warm to the hand',
      otherwise: 'a supply that is too small, or a strip that is fed at one end alone',
    },
  ];
}
