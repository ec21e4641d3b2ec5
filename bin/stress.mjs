// The part of bin/stress that goes over HTTP: a server with four workers, and teachers with sessions of their own.
import { execFileSync, spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const [seconds, teachers] = process.argv.slice(2).map(Number);
const PORT = 8790;
const BASE = `http://127.0.0.1:${PORT}`;
const KILLS = 20;
const AT_ONCE = 50;
const LARGE = 6640; // notes of a dense piece of 300 bars

const root = path.resolve(import.meta.dirname, '..');
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'tarnwind-stress-'));
const database = path.join(folder, 'stress.sqlite');
const environment = {
    ...process.env,
    APP_ENV: 'local',
    APP_URL: BASE,
    DB_CONNECTION: 'sqlite',
    DB_DATABASE: database,
    BCRYPT_ROUNDS: '4',
    PHP_CLI_SERVER_WORKERS: '4',
};
const php = (...args) => execFileSync('php', args, { cwd: root, env: environment, maxBuffer: 1 << 28 }).toString();

let server;
async function startServer() {
    server = spawn(
        'php',
        ['-d', 'upload_max_filesize=21M', '-d', 'post_max_size=24M', '-d', 'memory_limit=512M', '-d', 'opcache.enable_cli=1', '-S', `127.0.0.1:${PORT}`].concat(
            path.join(root, 'vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php'),
        ),
        { cwd: path.join(root, 'public'), env: environment, detached: true, stdio: 'ignore' },
    );
    for (let tries = 0; tries < 100; tries++) {
        if (
            await fetch(`${BASE}/up`).then(
                (response) => response.ok,
                () => false,
            )
        )
            return;
        await new Promise((done) => setTimeout(done, 50));
    }
    throw new Error('The server does not start.');
}
const killServer = () => {
    try {
        process.kill(-server.pid, 'SIGKILL');
    } catch {
        // It is gone already.
    }
};

/** A teacher's browser: cookies, and what she asks for. */
class Browser {
    cookies = new Map();

    async send(method, url, body) {
        const response = await fetch(BASE + url, {
            method,
            redirect: 'manual',
            headers: {
                Accept: 'application/json',
                'Content-Type': 'application/json',
                Cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; '),
                'X-XSRF-TOKEN': decodeURIComponent(this.cookies.get('XSRF-TOKEN') ?? ''),
            },
            body: body === undefined ? undefined : JSON.stringify(body),
        });
        for (const cookie of response.headers.getSetCookie()) {
            const [name, value] = cookie.split(';')[0].split('=');
            this.cookies.set(name, value);
        }
        return { status: response.status, text: await response.text() };
    }

    async signIn({ email, password }) {
        await this.send('GET', '/sign-in');
        const { status } = await this.send('POST', '/sign-in', { email, password });
        if (status !== 302) throw new Error(`Nobody could sign in: ${status}`);
    }
}

const troubles = [];
const say = (line) => console.log(line);
const quantile = (times, share) => [...times].sort((a, b) => a - b)[Math.floor(share * (times.length - 1))] ?? 0;

/** Every teacher opens her desk, asks, edits and saves, one thing after another. */
async function desks(accounts, what) {
    const times = {};
    const end = Date.now() + seconds * 1000;
    await Promise.all(
        accounts.map(async (account) => {
            const browser = new Browser();
            await browser.signIn(account);
            const timed = async (kind, method, url, body) => {
                const before = performance.now();
                const answer = await browser.send(method, url, body);
                (times[kind] ??= []).push(performance.now() - before);
                if (answer.status !== 200) troubles.push(`${what}: ${kind} answered ${answer.status}`);
                return answer;
            };
            const url = `/copies/${account.copy}`;
            await timed('desk', 'GET', url);
            let { revision } = JSON.parse((await timed('plan', 'GET', `${url}/plan`)).text);
            while (Date.now() < end) {
                const bar = revision % 16;
                const plan = { ...account.plan, tempo: 40 + (revision % 100) };
                await timed('pedal around a bar', 'POST', `${url}/answers/pedal`, { plan, bars: { first: bar, last: bar } });
                await timed('hand around a bar', 'POST', `${url}/answers/hand`, { plan, bars: { first: bar, last: bar } });
                revision = JSON.parse((await timed('save', 'PUT', `${url}/plan`, { plan, revision })).text).revision;
                if (revision % 10 === 0) await timed('desk', 'GET', url);
            }
            const kept = JSON.parse((await browser.send('GET', `${url}/plan`)).text);
            if (kept.revision !== revision) troubles.push(`${what}: revision ${kept.revision} was kept, ${revision} was acknowledged`);
        }),
    );
    for (const [kind, all] of Object.entries(times)) {
        say(`${what}: ${kind}: ${all.length} times, p50 ${Math.round(quantile(all, 0.5))} ms, p95 ${Math.round(quantile(all, 0.95))} ms`);
    }
}

/** Saves of one revision at one moment: one is kept, the others are told. */
async function savesAtOnce(account) {
    const browser = new Browser();
    await browser.signIn(account);
    const { revision } = JSON.parse((await browser.send('GET', `/copies/${account.copy}/plan`)).text);
    const answers = await Promise.all(
        Array.from({ length: AT_ONCE }, (_, index) =>
            browser.send('PUT', `/copies/${account.copy}/plan`, { plan: { ...account.plan, tempo: 40 + index }, revision }),
        ),
    );
    const count = (status) => answers.filter((answer) => answer.status === status).length;
    say(`${AT_ONCE} saves at once: ${count(200)} kept, ${count(409)} told of a newer plan`);
    if (count(200) !== 1 || count(409) !== AT_ONCE - 1) troubles.push('Saves at once were not one kept and all others told.');
}

/** The server dies while plans are saved: what was acknowledged is there, and every plan is whole. */
async function kills(accounts) {
    let lost = 0;
    let saves = 0;
    for (let kill = 0; kill < KILLS; kill++) {
        const acknowledged = new Map();
        let isDead = false;
        const savers = accounts.slice(0, 8).map(async (account) => {
            const browser = new Browser();
            await browser.signIn(account);
            let { revision } = JSON.parse((await browser.send('GET', `/copies/${account.copy}/plan`)).text);
            acknowledged.set(account, revision);
            while (!isDead) {
                const answer = await browser.send('PUT', `/copies/${account.copy}/plan`, { plan: { ...account.plan, tempo: 40 + (revision % 100) }, revision });
                if (answer.status !== 200) break;
                revision = JSON.parse(answer.text).revision;
                acknowledged.set(account, revision);
                saves++;
            }
        });
        await new Promise((done) => setTimeout(done, 700 + 37 * kill));
        killServer();
        isDead = true;
        await Promise.allSettled(savers);
        await startServer();
        for (const [account, revision] of acknowledged) {
            const browser = new Browser();
            await browser.signIn(account);
            const { status, text } = await browser.send('GET', `/copies/${account.copy}/plan`);
            const kept = status === 200 ? JSON.parse(text) : null;
            // A save may have been stored and not acknowledged; none that was acknowledged may be missing.
            const isWhole = kept !== null && [revision, revision + 1].includes(kept.revision) && kept.plan.marks.length === account.plan.marks.length;
            if (!isWhole) lost++;
        }
    }
    const sound = php('-r', 'echo (new PDO("sqlite:".$argv[1]))->query("pragma integrity_check")->fetchColumn();', database);
    say(`${KILLS} kills during ${saves} saves: ${lost} plans lost or torn, the database is ${sound === 'ok' ? 'sound' : sound}`);
    if (lost > 0 || sound !== 'ok') troubles.push('Kills lost what was acknowledged.');
}

process.on('exit', () => {
    killServer();
    fs.rmSync(folder, { recursive: true, force: true });
});
fs.writeFileSync(database, '');
php('artisan', 'migrate', '--force', '--quiet');
const small = JSON.parse(php('bin/stress-data.php', String(teachers)));
await startServer();
await desks(small, `${teachers} teachers for ${seconds} s`);
await savesAtOnce(small[0]);
await kills(small);
killServer();
php('artisan', 'migrate:fresh', '--force', '--quiet');
const large = JSON.parse(php('bin/stress-data.php', String(teachers), String(LARGE)));
await startServer();
await desks(large, `${teachers} teachers for ${seconds} s, pieces of ${LARGE} notes`);
for (const trouble of new Set(troubles)) console.error(`${trouble} (${troubles.filter((one) => one === trouble).length} times)`);
process.exit(troubles.length === 0 ? 0 : 1);
