import type { Metadata } from 'next';
import { Suspense } from 'react';
import { ShowApp } from '@/features/shell/ShowApp';
import { CannotUse } from '@/features/home/CannotUse';
import { nameForPage } from '@/server/pageOfShow';

interface Props {
  params: Promise<{ id: string; view?: string[] }>;
}

export const dynamic = 'force-dynamic';

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const found = nameForPage((await params).id);
  return { title: 'name' in found ? found.name : 'Not to be opened' };
}

export default async function ShowPage({ params }: Props) {
  const { id } = await params;
  const found = nameForPage(id);
  if ('problem' in found) return <CannotUse message={found.problem} />;
  return (
    <Suspense>
      <ShowApp id={id} />
    </Suspense>
  );
}
