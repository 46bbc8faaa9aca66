import styles from './home.module.css';

/** The reason why the data cannot be read, and that nothing was changed. */
export function CannotUse({ message }: { message: string }) {
  return (
    <main className={styles.page}>
      <h1>The shows cannot be read</h1>
      <p role="alert">{message}</p>
      <p>Nothing was changed. Load this page again when it is mended.</p>
    </main>
  );
}
