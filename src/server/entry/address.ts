/** The header the web process itself writes the sender's address into; what a request brings under it is dropped. */
export const ADDRESS_HEADER = 'x-spine-address';
export const REQUEST_ID_HEADER = 'x-request-id';

/** Where a request comes from: the connection's address, or what a configured proxy says of it. */
export const addressOf = (headers: Headers): string => headers.get(ADDRESS_HEADER) ?? 'unknown';
