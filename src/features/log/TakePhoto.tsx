import { useEffect, useMemo, useRef, useState } from 'react';
import { smallPhoto, type SmallPhoto } from '../show/photos';
import styles from './log.module.css';
import { messageOf } from '@/core/units/messageOf';

/** Takes a photo with the camera of the phone, or from a file; it is made smaller here and goes when it is written down. */
export function TakePhoto({
  photo,
  onPhoto,
}: {
  photo: SmallPhoto | null;
  onPhoto: (photo: SmallPhoto | null) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const url = useMemo(() => (photo ? URL.createObjectURL(photo.photo) : null), [photo]);
  useEffect(() => () => (url === null ? undefined : URL.revokeObjectURL(url)), [url]);
  const take = async (file: File) => {
    setProblem(null);
    try {
      onPhoto(await smallPhoto(file, setSaid, new AbortController().signal));
    } catch (error) {
      setProblem(messageOf(error));
    } finally {
      setSaid(null);
      // The same file can be chosen again.
      if (input.current) input.current.value = '';
    }
  };
  return (
    <div className={styles.take}>
      {url !== null && <img className={styles.photo} src={url} alt="The photo that was taken" />}
      <label className={styles.taking}>
        {photo ? 'Take another one' : 'Take a photo, or choose one'}
        <input
          ref={input}
          type="file"
          accept="image/*"
          capture="environment"
          onChange={(event) => {
            const file = event.currentTarget.files?.[0];
            if (file) void take(file);
          }}
        />
      </label>
      {said !== null && <p role="status">{said}…</p>}
      {problem !== null && <p role="alert">{problem}</p>}
    </div>
  );
}
