import 'server-only';
import { database } from './database';
import { PhotoRepository } from './photos';
import { ShowRepository, type Listeners } from './shows';

// Pages and route handlers are bundled apart, so each bundle has a repository of its own and throws its own errors. They
// share the database, which says what is current, and those who listen, so that these hear of every change.
const shared = globalThis as { rapidLanternListeners?: Listeners };
let repository: ShowRepository | undefined;

export function shows(): ShowRepository {
  shared.rapidLanternListeners ??= new Map();
  return (repository ??= new ShowRepository(database(), shared.rapidLanternListeners));
}

export function photos(): PhotoRepository {
  return new PhotoRepository(database());
}
