/** What a job answers: something that is written as JSON, and a file where it makes one. */
export interface Made {
  json: unknown;
  file?: Uint8Array;
}
