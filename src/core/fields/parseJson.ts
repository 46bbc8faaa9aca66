import { ShowError } from './problem';
import { messageOf } from '../units/messageOf';

/**
 * JSON from anywhere.
 *
 * @param lead how the refusal of what is not JSON begins
 * @throws ShowError also where it is nested deeper than anything that is allowed
 */
export function parseJson(text: string, lead: string): unknown {
  if (nestedDeeperThan(text, DEEPEST))
    throw new ShowError(`${lead}: its lists and objects are nested more than ${DEEPEST} deep.`);
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new ShowError(`${lead} (${messageOf(error)}).`);
  }
}

/** JSON that this program wrote itself: nothing in it is checked again. */
export function ownJson<Written>(text: string): Written {
  return JSON.parse(text) as Written;
}

/** A show is some ten deep. What is much deeper would only exhaust the stack of whatever walks through it. */
const DEEPEST = 60;

function nestedDeeperThan(text: string, deepest: number): boolean {
  let depth = 0;
  let inString = false;
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    if (inString) {
      if (code === 92) i += 1;
      else if (code === 34) inString = false;
    } else if (code === 34) inString = true;
    else if (code === 91 || code === 123) {
      depth += 1;
      if (depth > deepest) return true;
    } else if (code === 93 || code === 125) depth -= 1;
  }
  return false;
}
