import { Socket } from 'node:net';
import { refuse, type Result } from '@/core/model/result';
import { Incoming } from './bytes-across';
import { JOBS, OWN_WORK, type JobName } from './jobs';
import { ANSWERS_FD, type Asked, type Said } from './work-process';
import type { Made } from './made';

/** Bytes of an answer at the most: what is larger nobody could look at, and it would hold up everybody else. */
const MOST_ANSWER_BYTES = 24_000_000;
/** What we make ourselves is handed over, not looked at. */
const MOST_MADE_BYTES = 200_000_000;
/** Characters of a refusal at the most: it may quote the file. */
const MOST_WORDS = 280;

const incoming = new Incoming(process.stdin);
const answers = new Socket({ fd: ANSWERS_FD, readable: false });
const say = (said: Said) => process.send!(said);

/** Does one job after the other, as the process that began this one sends them. It is ended from outside. */
process.on('message', (asked: Asked) => void answerTo(asked));
process.on('disconnect', () => process.exit(0));

async function answerTo({ job, input, byteCount }: Asked): Promise<void> {
  const result = await done(job, input, await incoming.take(byteCount));
  if (!result.ok) return void say({ refusal: { ...result.refusal, message: readable(result.refusal.message) } });
  // Written here, so that who asked passes it on as it is.
  const json = Buffer.from(JSON.stringify(result.value.json));
  const { file } = result.value;
  const size = json.length + (file?.length ?? 0);
  if (size > (OWN_WORK.has(job) ? MOST_MADE_BYTES : MOST_ANSWER_BYTES))
    return void say({ refusal: tooLarge(job, size) });
  say({ jsonCount: json.length, fileCount: file?.length ?? null });
  answers.write(json);
  if (file) answers.write(file);
}

async function done(job: JobName, input: never, bytes: Uint8Array): Promise<Result<Made>> {
  try {
    return await JOBS[job](input, bytes, (part) => say({ part }));
  } catch {
    return refuse(
      OWN_WORK.has(job)
        ? 'The file could not be made. Take back what was done last, and try again'
        : 'Reading the file failed. It may be damaged: save it anew',
    );
  }
}

const tooLarge = (job: JobName, size: number) => ({
  message: OWN_WORK.has(job)
    ? `The file comes to ${Math.round(size / 1e6)} MB, more than can be made here`
    : `What the file holds comes to ${Math.round(size / 1e6)} MB, more than can be shown. Save only the layers that are needed`,
});

/** One line of words, whatever of the file it quotes. */
function readable(message: string): string {
  const line = message.toWellFormed().replace(/[\p{Cc}\p{Cf}\u2028\u2029\ufffd]+/gu, ' ');
  return line.length > MOST_WORDS ? `${line.slice(0, MOST_WORDS - 1)}…` : line;
}

process.send!('ready');
