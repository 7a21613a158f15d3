import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { join } from 'node:path';
import { installDebian } from '../scripts/install-debian.mjs';
import { freePort } from '../scripts/ports.mjs';
import { Installation } from './installation';

const NGINX = '/usr/sbin/nginx';
/** Where the asking browser is: another machine, as far as the proxy sees. */
const SENDER = '127.0.0.2';

interface Answer {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  text: string;
}

/** Debian's nginx with the configuration the documents give, on another port and with a certificate of its own making. */
class Proxy {
  private nginx: ChildProcess | null = null;

  constructor(
    private readonly folder: string,
    readonly port: number,
    private readonly appPort: number,
  ) {}

  async begin(): Promise<void> {
    if (!existsSync(NGINX)) installDebian(['nginx-light', 'openssl'], 'the proxy that the documents describe');
    mkdirSync(this.folder, { recursive: true });
    const [pem, key] = [join(this.folder, 'spine.pem'), join(this.folder, 'spine.key')];
    const subject = ['-subj', '/CN=127.0.0.1', '-addext', 'subjectAltName=IP:127.0.0.1'];
    execFileSync(
      'openssl',
      ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-keyout', key, '-out', pem, ...subject],
      {
        stdio: 'ignore',
      },
    );
    const server = readFileSync('docs/nginx.conf', 'utf8')
      .replace('listen 443 ssl', `listen 127.0.0.1:${this.port} ssl`)
      .replace('spine.example.org;', '127.0.0.1;')
      .replace('/etc/ssl/spine.pem', pem)
      .replace('/etc/ssl/spine.key', key)
      .replace('127.0.0.1:3000', `127.0.0.1:${this.appPort}`);
    const temp = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map(
      (name) => `${name}_temp_path ${join(this.folder, name)};`,
    );
    const config = join(this.folder, 'nginx.conf');
    writeFileSync(
      config,
      `pid ${join(this.folder, 'pid')}; error_log ${join(this.folder, 'error.log')}; daemon off; user root; events {}\n` +
        `http { access_log off; ${temp.join(' ')}\n${server}\n}\n`,
    );
    this.nginx = spawn(NGINX, ['-c', config, '-p', this.folder], { stdio: 'ignore' });
    for (let i = 0; i < 100; i += 1) {
      if (this.nginx.exitCode !== null)
        throw new Error(`nginx ended: ${readFileSync(join(this.folder, 'error.log'), 'utf8')}`);
      const answered = await this.ask('GET', '/api/health').catch(() => null);
      if (answered?.status === 200) return;
      await new Promise((done) => setTimeout(done, 100));
    }
    throw new Error('nginx does not answer');
  }

  /** A request through the proxy; `on` hears what comes while it comes, and ends it by answering true. */
  ask(
    method: string,
    path: string,
    headers: Record<string, string> = {},
    body?: string,
    on?: (text: string) => boolean,
  ): Promise<Answer> {
    return new Promise((resolve, reject) => {
      const asked = request(
        {
          ...{ host: '127.0.0.1', port: this.port, path, method, headers },
          localAddress: SENDER,
          rejectUnauthorized: false,
          timeout: 30_000,
        },
        (response) => {
          let text = '';
          const done = () => resolve({ status: response.statusCode!, headers: response.headers, text });
          response.on('data', (part: Buffer) => {
            text += part.toString();
            if (on?.(text)) {
              done();
              asked.destroy();
            }
          });
          response.on('end', done);
        },
      );
      asked.on('error', reject);
      asked.end(body);
    });
  }

  async end(): Promise<void> {
    const { nginx } = this;
    if (!nginx || nginx.exitCode !== null) return;
    const ended = new Promise((done) => nginx.once('exit', done));
    nginx.kill('SIGTERM');
    await ended;
  }
}

/** Runs it as it is run on a host: behind TLS, on another address than it listens on. Answers what was not as it must be. */
export async function behindProxy(folder: string): Promise<string[]> {
  const [appPort, port] = [await freePort(3700), await freePort(3800)];
  const address = `https://127.0.0.1:${port}`;
  const at = new Installation(join(folder, 'host'), appPort, {
    APP_URL: address,
    TRUSTED_PROXIES: '127.0.0.1',
    DEMO_MODE: '0',
    AUTH_RATE_LIMIT: '1',
  });
  const proxy = new Proxy(join(folder, 'nginx'), port, appPort);
  const faults: string[] = [];
  const must = (holds: boolean, words: string) => void (holds || faults.push(words));
  const json = { 'content-type': 'application/json', origin: address };
  const body = { name: 'Host', email: 'host@test.example', password: 'a long enough one 4711' };
  try {
    await at.start();
    await proxy.begin();
    const page = await proxy.ask('GET', '/');
    must(page.status === 200 && page.text.includes('Zenith Spine'), 'The page does not come through the proxy');
    must(/max-age=\d{7}/.test(String(page.headers['strict-transport-security'])), 'HSTS is not sent behind TLS');
    must(!page.text.includes('Enter as'), 'The demo’s doors are open');
    const forwarded = { 'x-forwarded-for': '203.0.113.9' };
    const elsewhere = { ...json, origin: `http://127.0.0.1:${appPort}` };
    const foreign = await proxy.ask('POST', '/api/auth/sign-up/email', elsewhere, JSON.stringify(body));
    must(foreign.status === 403, `Another origin is answered with ${foreign.status}`);
    const up = await proxy.ask('POST', '/api/auth/sign-up/email', { ...json, ...forwarded }, JSON.stringify(body));
    must(up.status === 200, `Signing up is answered with ${up.status}`);
    const cookies = [up.headers['set-cookie'] ?? []].flat();
    must(cookies.length > 0 && cookies.every((each) => /; Secure/i.test(each)), 'A cookie is not Secure');
    const cookie = cookies.map((each) => each.split(';')[0]).join('; ');
    const made = await proxy.ask(
      'POST',
      '/api/projects',
      { ...json, cookie },
      JSON.stringify({ name: 'P', building: 'B' }),
    );
    must(made.status === 200 || made.status === 201, `Starting a project is answered with ${made.status}`);
    const begun = performance.now();
    const stream = await proxy.ask('GET', '/api/events', { cookie }, undefined, (text) =>
      text.includes('event: heads'),
    );
    must(stream.text.includes('event: heads') && performance.now() - begun < 3000, 'The live stream is held back');
    const heard = await at.query<{ address: string }>('select distinct address from audit');
    must(
      heard.some((each) => each.address === SENDER) && heard.every((each) => each.address === SENDER),
      'The sender is not the one the proxy saw',
    );
  } finally {
    await proxy.end();
    await at.stop();
  }
  return faults;
}
