import type { Fault } from '../rig/faults/registry';

/** How often something is the matter, beside the others, and why that is thought. */
interface Prior {
  weight: number;
  why: string;
}

const often = (why: string): Prior => ({ weight: 8, why });
const nowAndThen = (why: string): Prior => ({ weight: 4, why });
const seldom = (why: string): Prior => ({ weight: 1.5, why });
const rare = (why: string): Prior => ({ weight: 0.5, why });

/** What is thought before anything was looked at. A kind shares its weight over all of its places. */
export const PRIORS: Record<Fault['kind'], Prior> = {
  noPower: often('a plug that is out, a supply that tripped: the first thing that anybody checks'),
  supplyOff: nowAndThen('extension leads with a switch are kicked'),
  blownFuse: nowAndThen('a fuse opens where a wire was pinched'),
  supplySags: seldom('supplies shut down only where they are too small for what is shown'),
  noGround: nowAndThen('two supplies whose grounds nobody joined'),
  lowLevel: nowAndThen('3.3 V into a strip of 5 V over a long lead'),
  wrongVolts: rare('12 V on 5 V parts ends them at once, so it is seldom seen for long'),
  starvedEnd: often('too few feeds: the end of a long run grows yellow'),
  bootStateLost: seldom('shows only after the power was cut'),
  notReached: often('an address from another network, or a cable that is not in'),
  protocolOff: nowAndThen('a device comes with another protocol switched on'),
  senderOff: nowAndThen('a controller that was added and not ticked in the sender'),
  notEnabled: often('outputs have to be enabled apart'),
  notSaved: nowAndThen('typed, and not saved'),
  portOff: nowAndThen('a port that is off on its page'),
  wrongPin: seldom('printed label, software number and header place differ'),
  pinTaken: rare('needs a second program on the same pin'),
  serialChatter: rare('only on the serial pin'),
  ownTestRuns: seldom('a test that was left on'),
  twoSenders: seldom('a second program that was left running'),
  countWrong: often('a count is typed in several places'),
  notRestarted: nowAndThen('some values count only after a restart'),
  brokenJoint: often('joints are moved, pulled and get wet'),
  blockingPixel: nowAndThen('a pixel that was overheated'),
  darkPixel: nowAndThen('one that passes data on'),
  missingPixel: seldom('one was cut out in a repair'),
  extraPixel: seldom('one was put in in a repair'),
  colourOrder: often('strips of the same chip come in several orders'),
  channelsWrong: nowAndThen('three for four, where white is new to somebody'),
  wrongChip: nowAndThen('chosen from a list of names that look alike'),
  deviceGain: rare('a slider of one colour at zero'),
  senderGain: rare('a slider of one colour at zero in the program'),
  deviceDim: nowAndThen('an import resets the brightness'),
  limiterLow: nowAndThen('limiters come with a small figure'),
  batches: nowAndThen('strings of two seasons'),
  depthLow: rare('only on panels'),
  swappedPorts: often('plugs look alike'),
  reversedRun: nowAndThen('fed from the end that was nearer'),
  serpentineWrong: often('straight and serpentine are one tick apart'),
  strandsExchanged: nowAndThen('strands are hung in the dark'),
  mirrored: often('front and back are mixed up'),
  panelTurned: nowAndThen('an arrow that was not looked at'),
  quarterTurn: seldom('only square panels can be'),
  panelsExchanged: nowAndThen('panels look alike'),
  allOnOutput1: nowAndThen('as a new list of panels comes'),
  pictureCorner: seldom('chosen once for a wall'),
  widthExchanged: seldom('the width of one panel typed for all'),
  panelSizeWrong: seldom('typed once'),
  scanWrong: seldom('an unknown panel'),
  interleaveWrong: seldom('an unknown panel'),
  pinoutWrong: rare('a hat of another kind'),
  slowDownWrong: rare('a small computer that became faster'),
  devicePacking: often('510 and 512'),
  senderPacking: nowAndThen('510 and 512'),
  startOff: often('a start channel that is off by one pixel or one channel'),
  universeOff: often('counting from 0 and from 1'),
  profileDefault: seldom('only fixtures with a profile'),
  canvasDefault: seldom('only walls that are sent as a picture'),
  slowLink: nowAndThen('Wi-Fi, or a serial line that is too slow'),
};
