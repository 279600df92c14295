import { randomBytes } from 'node:crypto';
import { NextResponse, type NextRequest } from 'next/server';
import { admission, gateFrom, KEY_COOKIE, TURNED_AWAY, type Admission } from './app/_gate/admission';
import { contentPolicy, SAFE_HEADERS } from './app/_gate/headers';
import { keyPage } from './app/_gate/key-page';

const gate = gateFrom(process.env);
const A_YEAR_S = 31_536_000;

/** Every request passes here first: whose it is, and what its answer may do in a browser. */
export function proxy(request: NextRequest): Response {
  const url = request.nextUrl;
  const said = {
    cookie: request.cookies.get(KEY_COOKIE)?.value,
    address: url.searchParams.get('key') ?? undefined,
  };
  const found = admission({ headers: request.headers, pathname: url.pathname }, said, gate);
  return withSafety(found === 'in' ? letIn(request) : turnedAway(found, request, said.address));
}

function letIn(request: NextRequest): NextResponse {
  const policy = contentPolicy(randomBytes(16).toString('base64'));
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
}

function turnedAway(
  found: Exclude<Admission, 'in'>,
  request: NextRequest,
  key: string | undefined,
): NextResponse {
  if (found === 'key brought') return withKey(request, key!);
  const { status, message } = TURNED_AWAY[found];
  return found === 'key wanted'
    ? new NextResponse(keyPage(request.nextUrl.searchParams.has('key')), {
        status,
        headers: { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' },
      })
    : new NextResponse(message, { status });
}

/** Keeps the key on the device and takes it out of the address. */
function withKey(request: NextRequest, key: string): NextResponse {
  const to = new URLSearchParams(request.nextUrl.searchParams);
  to.delete('key');
  const search = to.toString();
  // By the name the device came by, which was let in above; the server itself may know another.
  const host = request.headers.get('host')!;
  const response = NextResponse.redirect(
    `${request.nextUrl.protocol}//${host}${request.nextUrl.pathname}${search ? `?${search}` : ''}`,
    303,
  );
  response.cookies.set(KEY_COOKIE, key, { httpOnly: true, sameSite: 'lax', path: '/', maxAge: A_YEAR_S });
  return response;
}

function withSafety(response: NextResponse): NextResponse {
  if (!response.headers.has('content-security-policy'))
    response.headers.set('content-security-policy', contentPolicy('none'));
  for (const [name, value] of Object.entries(SAFE_HEADERS)) response.headers.set(name, value);
  return response;
}

export const config = {
  // The API has its own gate at its door: bodies that pass here would be held in memory first. Only an address with an escape in it is
  // looked at here: one that stands for nothing never gets as far as the door.
  matcher: ['/((?!api/|_next/static|icon.svg|favicon.ico|sw.js|manifest.webmanifest).*)', '/api/(.*%.*)'],
};
