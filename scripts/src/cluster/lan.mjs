import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { generate } from 'selfsigned';

const DAY = 86_400_000;
/** How long an authority of this kitchen's own is good for, and a certificate made by it: browsers take none for longer than 398 days. */
const AUTHORITY_DAYS = 3650;
const CERTIFICATE_DAYS = 397;
/** A certificate that is about to end is made anew at a start. */
const LEAST_DAYS = 30;

/** The machine's addresses on its networks, loopback left out. */
export function lanAddresses() {
  return Object.values(networkInterfaces())
    .flat()
    .filter((a) => a && !a.internal && a.family === 'IPv4')
    .map((a) => a.address)
    .sort();
}

const names = () => ['localhost', hostname(), `${hostname()}.local`];

const days = (n) => ({
  notBeforeDate: new Date(Date.now() - DAY),
  notAfterDate: new Date(Date.now() + n * DAY),
});

async function authorityIn(folder) {
  const key = join(folder, 'authority-key.pem');
  const cert = join(folder, 'authority.pem');
  if (!existsSync(key)) {
    const made = await generate([{ name: 'commonName', value: `Inch Pantry on ${hostname()}` }], {
      ...days(AUTHORITY_DAYS),
      keyType: 'ec',
      algorithm: 'sha256',
      extensions: [
        { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
        { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
      ],
    });
    writeFileSync(key, made.private, { mode: 0o600 });
    writeFileSync(cert, made.cert, { mode: 0o644 });
  }
  return { key: readFileSync(key, 'utf8'), cert: readFileSync(cert, 'utf8'), file: cert };
}

/** Whether a certificate is good for some more weeks and for every address of this machine. */
function stillFits(file, addresses) {
  if (!existsSync(file)) return false;
  const certificate = new X509Certificate(readFileSync(file));
  const ends = Date.parse(certificate.validTo);
  return (
    ends - Date.now() > LEAST_DAYS * DAY &&
    addresses.every((address) => certificate.checkIP(address) !== undefined) &&
    names().every((name) => certificate.checkHost(name) !== undefined)
  );
}

/**
 * A certificate for this machine's names and addresses, made by an authority of the kitchen's own that a tablet trusts once. The authority
 * stays; the certificate is made anew when it is about to end, or the machine has another address.
 * @returns files of key, certificate and authority
 */
export async function certificateIn(data, addresses = lanAddresses()) {
  const folder = join(data, 'tls');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority = await authorityIn(folder);
  const key = join(folder, 'key.pem');
  const cert = join(folder, 'certificate.pem');
  if (!stillFits(cert, addresses)) {
    const made = await generate([{ name: 'commonName', value: hostname() }], {
      ...days(CERTIFICATE_DAYS),
      keyType: 'ec',
      algorithm: 'sha256',
      ca: { key: authority.key, cert: authority.cert },
      extensions: [
        { name: 'basicConstraints', cA: false, critical: true },
        { name: 'keyUsage', digitalSignature: true, critical: true },
        { name: 'extKeyUsage', serverAuth: true },
        {
          name: 'subjectAltName',
          altNames: [
            ...names().map((value) => ({ type: 2, value })),
            ...['127.0.0.1', ...addresses].map((ip) => ({ type: 7, ip })),
          ],
        },
      ],
    });
    writeFileSync(key, made.private, { mode: 0o600 });
    writeFileSync(cert, made.cert);
  }
  return { key, cert, authority: authority.file };
}
