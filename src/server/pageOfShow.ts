import 'server-only';
import { notFound } from 'next/navigation';
import { CannotKeep } from './database';
import { shows } from './repository';
import { NoSuchShow } from './showErrors';

/** The name of a show, for its page. The show itself is fetched by the page that shows it: it may be large. */
export function nameForPage(id: string): { name: string } | { problem: string } {
  try {
    return { name: shows().nameOf(id) };
  } catch (error) {
    if (error instanceof NoSuchShow) notFound();
    if (error instanceof CannotKeep) return { problem: error.message };
    throw error;
  }
}
