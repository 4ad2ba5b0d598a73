import { createHash, createPublicKey, verify } from 'node:crypto';

// Verifies a signed procedure file and a record with nothing of the program's own: Node's cryptography, and what docs/formats/README.md says.

/** Canonical JSON, RFC 8785: ECMAScript's own numbers and texts, members in the order of their names. */
export const canonical = (value) =>
  Array.isArray(value)
    ? `[${value.map(canonical).join(',')}]`
    : value !== null && typeof value === 'object'
      ? `{${Object.keys(value)
          .sort()
          .map((name) => `${JSON.stringify(name)}:${canonical(value[name])}`)
          .join(',')}}`
      : JSON.stringify(value);

const sha256 = (text) => createHash('sha256').update(text, 'utf8').digest('hex');

/** What the signatures of a file say, each verified by the key it carries; throws where one does not hold for the file. */
export function verifyFile(file) {
  const content = { ...file };
  delete content.signatures;
  delete content.pictures;
  const hash = sha256(canonical(content));
  return (file.signatures ?? []).map((jws) => {
    const [head, payload, signature] = jws.split('.');
    const { alg, jwk, kid } = JSON.parse(Buffer.from(head, 'base64url'));
    if (alg !== 'ES256') throw new Error(`The algorithm is ${alg}.`);
    const key = createPublicKey({ key: jwk, format: 'jwk' });
    // RFC 7518, 3.4: both numbers one behind the other.
    const holds = verify(
      'sha256',
      Buffer.from(`${head}.${payload}`),
      { key, dsaEncoding: 'ieee-p1363' },
      Buffer.from(signature, 'base64url'),
    );
    if (!holds) throw new Error('A signature does not hold for its key.');
    const thumbprint = createHash('sha256')
      .update(canonical({ crv: jwk.crv, kty: jwk.kty, x: jwk.x, y: jwk.y }))
      .digest('base64url');
    if (thumbprint !== kid) throw new Error('The key is not the one it is said to be.');
    const says = JSON.parse(Buffer.from(payload, 'base64url'));
    if (says.content !== hash) throw new Error('The file is not what was signed.');
    return { ...says, key: kid };
  });
}

/** Throws where a link of a record does not hold. */
export function verifyRecord({ lines }) {
  let before = '';
  lines.forEach(({ number, revision, what, by, at, text, delta, hash }, i) => {
    if (number !== i + 1) throw new Error(`Line ${i + 1} is missing.`);
    // UTC, to the ten-millionth of a second.
    const [, second, rest = ''] = /^(.{19})(?:\.(\d+))?Z$/.exec(at);
    const time = `${second}.${rest.padEnd(7, '0')}Z`;
    if (sha256(canonical({ before, number, revision, what, by, at: time, text, delta })) !== hash)
      throw new Error(`Line ${number} does not hold.`);
    before = hash;
  });
}
