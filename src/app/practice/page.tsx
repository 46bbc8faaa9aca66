import type { Metadata } from 'next';
import { Suspense } from 'react';
import { PracticePage } from '@/features/practice/PracticePage';

export const metadata: Metadata = { title: 'Practice' };

export default function Page() {
  return (
    <Suspense>
      <PracticePage />
    </Suspense>
  );
}
