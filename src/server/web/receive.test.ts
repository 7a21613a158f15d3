import type { IncomingMessage } from 'node:http';
import proxyaddr from 'proxy-addr';
import { contentPolicy, senderOf } from './receive';

const from = (address: string, forwarded?: string) =>
  ({
    socket: { remoteAddress: address },
    headers: forwarded ? { 'x-forwarded-for': forwarded } : {},
  }) as unknown as IncomingMessage;

describe('where a request comes from', () => {
  it('is its connection, whatever it says itself', () => {
    const nobody = proxyaddr.compile([]);
    expect(senderOf(from('203.0.113.9'), nobody)).toBe('203.0.113.9');
    for (let i = 0; i < 5; i += 1) expect(senderOf(from('203.0.113.9', `10.0.0.${i}`), nobody)).toBe('203.0.113.9');
  });
  it('is what a configured proxy says, and only the part it wrote', () => {
    const proxied = proxyaddr.compile(['10.1.1.1']);
    expect(senderOf(from('10.1.1.1', '203.0.113.9'), proxied)).toBe('203.0.113.9');
    // What the sender wrote itself stands before what the proxy added.
    expect(senderOf(from('10.1.1.1', '1.2.3.4, 203.0.113.9'), proxied)).toBe('203.0.113.9');
    expect(senderOf(from('203.0.113.7', '203.0.113.9'), proxied)).toBe('203.0.113.7');
  });
});

it('a page runs only scripts with its answer’s mark, and is shown in nobody’s frame', () => {
  const policy = contentPolicy('abc');
  expect(policy).toContain(`script-src 'self' 'nonce-abc' 'strict-dynamic'`);
  expect(policy).toContain(`frame-ancestors 'none'`);
  expect(policy.match(/script-src[^;]*/)![0]).not.toContain('unsafe');
});
