// A signed-in caller of a running server, for the benchmarks.
export async function signedIn(address) {
  const jar = new Map()
  async function call(path, options = {}) {
    const response = await fetch(address + path, {
      ...options,
      headers: {
        ...options.headers,
        cookie: [...jar].map(([name, value]) => `${name}=${value}`).join('; '),
        'X-XSRF-TOKEN': jar.get('XSRF-TOKEN') ?? '',
      },
    })
    for (const cookie of response.headers.getSetCookie()) {
      const [name, value] = cookie.split(';')[0].split('=')
      jar.set(name, value)
    }
    return response
  }
  await call('/api/session')
  const answer = await call('/api/session', {
    method: 'POST',
    body: new URLSearchParams({ email: 'advisor@tidemark.example', password: 'orrin-levels' }),
  })
  if (!answer.ok) throw new Error(`sign-in answered ${answer.status}`)
  return call
}
