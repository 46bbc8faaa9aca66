import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Suspense } from 'react';
import { ShowApp } from '@/features/shell/ShowApp';
import { CannotUse } from '@/features/home/CannotUse';
import { CannotKeep } from '@/server/database';
import { shows } from '@/server/repository';
import { NoSuchShow } from '@/server/showErrors';

interface Props {
  params: Promise<{ id: string; view?: string[] }>;
}

export const dynamic = 'force-dynamic';

/** The name of a show. The show itself is fetched by the page that shows it: it may be large. */
function nameOf(id: string): { name: string } | { problem: string } {
  try {
    return { name: shows().nameOf(id) };
  } catch (error) {
    if (error instanceof NoSuchShow) notFound();
    if (error instanceof CannotKeep) return { problem: error.message };
    throw error;
  }
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const found = nameOf((await params).id);
  return { title: 'name' in found ? found.name : 'Not to be opened' };
}

export default async function ShowPage({ params }: Props) {
  const { id } = await params;
  const found = nameOf(id);
  if ('problem' in found) return <CannotUse message={found.problem} />;
  return (
    <Suspense>
      <ShowApp id={id} />
    </Suspense>
  );
}
