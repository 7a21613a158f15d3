import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonicalJson } from './json';

/** SHA-256 of a value's canonical JSON, as 64 hexadecimal digits. */
export const hashOf = (value: unknown): string => hashOfText(canonicalJson(value));

/** SHA-256 of a text's bytes. */
export const hashOfText = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));
