import { readDxf } from '../dxf/read';

/** Reads one foreign file from standard input and prints what it holds. Ended from outside when it takes too long. */
async function main(): Promise<void> {
  const chunks: Uint8Array[] = [];
  for await (const chunk of process.stdin) chunks.push(chunk as Uint8Array);
  process.stdout.write(JSON.stringify(readDxf(Buffer.concat(chunks))));
}

void main();
