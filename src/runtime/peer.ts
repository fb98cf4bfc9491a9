/** The header that carries the address at the other end of the connection. What a client sends under this name is written over. */
export const PEER = 'x-pulpit-peer';
/** The header that carries the number of an answer's own scripts, from the policy to the page. */
export const NONCE = 'x-pulpit-nonce';
/** The number of a request, as the log and a page of trouble say it. */
export const REQUEST = 'x-pulpit-request';
