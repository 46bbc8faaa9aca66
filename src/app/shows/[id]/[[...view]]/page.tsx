import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Suspense } from 'react';
import type { Revision } from '@/core/show/revision';
import { ShowApp } from '@/features/shell/ShowApp';
import { shows } from '@/server/repository';
import { NoSuchShow } from '@/server/shows';

interface Props {
  params: Promise<{ id: string; view?: string[] }>;
}

export const dynamic = 'force-dynamic';

function open(id: string): Revision {
  try {
    return shows().get(id);
  } catch (error) {
    if (error instanceof NoSuchShow) notFound();
    throw error;
  }
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: open((await params).id).show.name };
}

export default async function ShowPage({ params }: Props) {
  const revision = open((await params).id);
  return (
    <Suspense>
      <ShowApp initial={revision} />
    </Suspense>
  );
}
