import { Writable } from 'node:stream';
import { createStream } from 'rotating-file-stream';

/** A file that could not be written is opened again at the earliest after this. */
const TRY_AGAIN_MS = 5000;

/**
 * A log file that is rotated and bounded. What cannot be written, because the disk is full, is dropped: a log must not take
 * down what it tells of.
 */
export function logFile(folder, name, open = openRotated) {
  let file = null;
  let triedAt = -Infinity;
  const broken = (which) => {
    if (file === which) file = null;
    which.destroy();
  };
  return new Writable({
    write(words, _encoding, done) {
      if (!file && Date.now() - triedAt > TRY_AGAIN_MS) {
        triedAt = Date.now();
        const opened = open(folder, name);
        opened.on('error', () => broken(opened));
        file = opened;
      }
      file?.write(words);
      done();
    },
  });
}

const openRotated = (folder, name) =>
  createStream(`${name}.log`, { path: folder, size: '20M', maxFiles: 5, compress: false });
