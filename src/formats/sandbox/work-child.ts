import { refuse } from '@/core/model/result';
import { JOBS, type JobName } from './jobs';

/** Bytes of an answer at the most: what is larger nobody could look at, and it would hold up everybody else. */
const MOST_ANSWER_BYTES = 24_000_000;
/** What we make ourselves is handed over, not looked at. */
const MOST_MADE_BYTES = 200_000_000;

interface Asked {
  job: JobName;
  input: never;
  bytes: Uint8Array;
}

/** Does one job after the other, as the process that began this one sends them. It is ended from outside. */
process.on('message', ({ job, input, bytes }: Asked) => {
  void answerTo(job, input, bytes).then((answer) => process.send!(answer));
});
process.on('disconnect', () => process.exit(0));

async function answerTo(job: JobName, input: never, bytes: Uint8Array) {
  try {
    const result = await JOBS[job](input, bytes, (part) => process.send!({ part }));
    if (!result.ok) return { ok: false, refusal: result.refusal };
    const { json, file } = result.value;
    // Written here, so that who asked passes it on as it is.
    const text = Buffer.from(JSON.stringify(json));
    const size = text.length + (file?.length ?? 0);
    const isForeign = bytes.length > 0;
    if (!isForeign && size > MOST_MADE_BYTES)
      return refuse(`The file comes to ${Math.round(size / 1e6)} MB, more than can be made here`);
    if (isForeign && size > MOST_ANSWER_BYTES)
      return refuse(
        `What the file holds comes to ${Math.round(size / 1e6)} MB, more than can be shown. Save only the layers that are needed`,
      );
    return { ok: true, value: { json: text, file } };
  } catch {
    return refuse('Reading the file failed. It may be damaged: save it anew');
  }
}

process.send!('ready');
