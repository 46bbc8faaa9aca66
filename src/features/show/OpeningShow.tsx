import { Button, Loader } from '@mantine/core';
import Link from 'next/link';
import styles from './OpeningShow.module.css';

/** The page while a show is on its way from the server. */
export function OpeningShow() {
  return (
    <main className={styles.page} aria-busy>
      <Loader size="sm" />
      <p role="status">Opening the show…</p>
    </main>
  );
}

/** A show that could not be opened, with the sentence of why. */
export function ShowProblem({ message }: { message: string }) {
  return (
    <main className={styles.page}>
      <h1>This show could not be opened</h1>
      <p role="alert">{message}</p>
      <div className={styles.ways}>
        <Button onClick={() => window.location.reload()}>Try again</Button>
        <Button variant="default" component={Link} href="/">
          All shows
        </Button>
      </div>
    </main>
  );
}
