import { CannotUse } from '@/features/home/CannotUse';
import { HomePage } from '@/features/home/HomePage';
import type { ShowSummary } from '@/core/show/revision';
import { CannotKeep } from '@/server/database';
import { shows } from '@/server/repository';

export const dynamic = 'force-dynamic';

export default function Page() {
  const kept = list();
  return 'problem' in kept ? <CannotUse message={kept.problem} /> : <HomePage shows={kept.shows} />;
}

function list(): { shows: ShowSummary[] } | { problem: string } {
  try {
    return { shows: shows().list() };
  } catch (error) {
    if (error instanceof CannotKeep) return { problem: error.message };
    throw error;
  }
}
