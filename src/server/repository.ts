import 'server-only';
import { database } from './database';
import { PhotoRepository } from './photos';
import { Shared } from './shared';
import { ShowRepository } from './shows';
import { placeInProcess } from './process';

// Pages and route handlers are bundled apart, so each bundle has a repository of its own and throws its own errors. What they
// must agree on they share: the database, who listens, and the documents.
const place = placeInProcess<Shared>('shared');
let repository: ShowRepository | undefined;

/** @throws CannotKeep when the database cannot be opened */
export function shows(): ShowRepository {
  place.kept ??= new Shared();
  return (repository ??= new ShowRepository(database(), place.kept));
}

export function photos(): PhotoRepository {
  return new PhotoRepository(database());
}
