/** The header that carries the address at the other end of the connection. What a client sends under this name is written over. */
export const PEER = 'x-pulpit-peer';
