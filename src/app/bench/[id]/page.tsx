import type { Metadata } from 'next';
import { BenchApp } from '@/features/bench/BenchApp';
import { CannotUse } from '@/features/home/CannotUse';
import { nameForPage } from '@/server/pageOfShow';

interface Props {
  params: Promise<{ id: string }>;
}

export const dynamic = 'force-dynamic';

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const found = nameForPage((await params).id);
  return { title: 'name' in found ? `Bench: ${found.name}` : 'Not to be opened' };
}

export default async function BenchPage({ params }: Props) {
  const { id } = await params;
  const found = nameForPage(id);
  return 'problem' in found ? <CannotUse message={found.problem} /> : <BenchApp id={id} />;
}
