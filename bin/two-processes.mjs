// Two processes of the application that share database, cache and sessions: signs in at one, and works at both.
// Usage: two-processes.mjs FIRST SECOND     (addresses)
const [first, second] = process.argv.slice(2);
const jar = new Map();

async function send(base, method, path, data) {
    const token = decodeURIComponent(jar.get('XSRF-TOKEN') ?? '');
    const response = await fetch(base + path, {
        method,
        redirect: 'manual',
        headers: {
            Accept: 'application/json',
            'Content-Type': 'application/json',
            'X-XSRF-TOKEN': token,
            Cookie: [...jar].map(([name, value]) => `${name}=${value}`).join('; '),
        },
        ...(data ? { body: JSON.stringify(data) } : {}),
    });
    for (const line of response.headers.getSetCookie()) {
        const [, name, value] = /^([^=]+)=([^;]*)/.exec(line);
        jar.set(name, value);
    }
    return response;
}

function must(what, holds) {
    console.log(`${holds ? 'ok    ' : 'FAILED'} ${what}`);
    if (!holds) process.exitCode = 1;
}

for (const base of [first, second]) {
    for (let tries = 0; tries < 100; tries++) {
        if (
            await fetch(`${base}/up`).then(
                ({ ok }) => ok,
                () => false,
            )
        )
            break;
        await new Promise((done) => setTimeout(done, 100));
    }
}
await send(first, 'GET', '/sign-in');
const signed = await send(first, 'POST', '/sign-in', { email: 'ines@tarnwind.invalid', password: 'mist-over-water' });
must('signed in at the first', signed.status === 200);
const there = await send(second, 'GET', '/copies/1/plan');
must('known at the second', there.status === 200);
const { plan, revision } = await there.json();
const saved = await send(second, 'PUT', '/copies/1/plan', { plan: { ...plan, tempo: 66 }, revision });
must('a plan is saved at the second', saved.status === 200);
const again = await (await send(first, 'GET', '/copies/1/plan')).json();
must('and is there at the first', again.plan.tempo === 66 && again.revision === revision + 1);
const stale = await send(first, 'PUT', '/copies/1/plan', { plan, revision });
must('an older revision is refused wherever it comes', stale.status === 409);
await send(first, 'POST', '/sign-out');
must('signed out at both', (await send(second, 'GET', '/copies/1/plan')).status === 401);
