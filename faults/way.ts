import { connect, createServer, type Server, type Socket } from 'node:net';

/** The way between people and the server: it can be cut, and its live streams can be stalled. */
export class Way {
  private readonly pairs = new Set<{ near: Socket; far: Socket; isStream: boolean }>();
  private readonly server: Server;
  private isCut = false;
  port = 0;

  constructor(private readonly farPort: number) {
    this.server = createServer((near) => this.carry(near));
  }

  async open(): Promise<void> {
    await new Promise<void>((done) => this.server.listen(0, '127.0.0.1', done));
    this.port = (this.server.address() as { port: number }).port;
  }

  /** Nothing gets through, and what was on its way is lost, until it is mended. */
  cut(): void {
    this.isCut = true;
    for (const { near, far } of this.pairs) {
      near.resetAndDestroy();
      far.destroy();
    }
  }

  mend(): void {
    this.isCut = false;
  }

  /** The live streams that are open say nothing more, and do not end. */
  stallStreams(): number {
    const streams = [...this.pairs].filter(({ isStream }) => isStream);
    for (const { far } of streams) {
      far.removeAllListeners('data');
      far.pause();
    }
    return streams.length;
  }

  close(): void {
    this.cut();
    this.server.close();
  }

  private carry(near: Socket): void {
    if (this.isCut) return void near.resetAndDestroy();
    const far = connect(this.farPort, '127.0.0.1');
    const pair = { near, far, isStream: false };
    this.pairs.add(pair);
    near.on('data', (bytes: Buffer) => {
      pair.isStream = bytes.subarray(0, 24).toString('latin1').startsWith('GET /api/events');
      far.write(bytes);
    });
    far.on('data', (bytes: Buffer) => near.write(bytes));
    const end = () => {
      this.pairs.delete(pair);
      near.destroy();
      far.destroy();
    };
    for (const socket of [near, far]) socket.on('error', end).on('close', end);
  }
}
