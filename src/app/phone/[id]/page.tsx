import type { Metadata } from 'next';
import { PhoneApp } from '@/features/phone/PhoneApp';
import { CannotUse } from '@/features/home/CannotUse';
import { nameForPage } from '@/server/pageOfShow';

interface Props {
  params: Promise<{ id: string }>;
}

export const dynamic = 'force-dynamic';

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const found = nameForPage((await params).id);
  return { title: 'name' in found ? `Phone: ${found.name}` : 'Not to be opened' };
}

export default async function PhonePage({ params }: Props) {
  const { id } = await params;
  const found = nameForPage(id);
  return 'problem' in found ? <CannotUse message={found.problem} /> : <PhoneApp id={id} />;
}
