import { HomePage } from '@/features/home/HomePage';
import { shows } from '@/server/repository';

export const dynamic = 'force-dynamic';

export default function Page() {
  return <HomePage shows={shows().list()} />;
}
