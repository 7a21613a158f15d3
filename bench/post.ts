import { Agent, request } from 'node:http';

/** Connections are kept, as a browser keeps them. */
const agent = new Agent({ keepAlive: true });

/**
 * Sends JSON and reads the answer whole. The clients of a bench stand for other machines but share this one's processor: the
 * plainest way to send leaves the most of it to the server that is measured.
 */
export function post(url: string, body: string, cookie = ''): Promise<{ status: number; text: string }> {
  const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body), cookie };
  return new Promise((resolve, reject) => {
    const sent = request(url, { method: 'POST', agent, headers }, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.once('end', () => resolve({ status: answer.statusCode ?? 0, text: Buffer.concat(parts).toString() }));
      answer.once('error', reject);
    });
    sent.once('error', reject);
    sent.end(body);
  });
}
