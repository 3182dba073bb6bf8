import { beforeEach, describe, expect, it } from 'vitest';
import { ApiError, send, upload, uploadWords } from '@/shared/lib/api';
import { fakeServer, fakeUpload, FakeUpload } from './server';

/** The refusal of a question, whatever it was. */
async function refusal(asking: Promise<unknown>): Promise<ApiError> {
    try {
        await asking;
    } catch (error) {
        if (error instanceof ApiError) return error;
        throw error;
    }
    throw new Error('it was not refused');
}

describe('a question to the server', () => {
    let server: ReturnType<typeof fakeServer>;

    beforeEach(() => {
        document.cookie = 'XSRF-TOKEN=a%3Db%2F';
        server = fakeServer();
    });

    it('carries the token of the session, what is asked as JSON, and its key', async () => {
        const asking = send<{ version: number }>('PUT', '/finishes/1', { layers: [] }, undefined, 'KEY');
        const [question] = server.asked;
        expect(question).toMatchObject({ method: 'PUT', path: '/finishes/1', body: { layers: [] } });
        expect(question?.headers).toEqual({
            Accept: 'application/json',
            'Content-Type': 'application/json',
            'X-XSRF-TOKEN': 'a=b/',
            'X-Once': 'KEY',
        });
        await question?.answer(200, { version: 4 });
        expect(await asking).toEqual({ version: 4 });
    });

    it('leaves it to the browser to name the type of a form', async () => {
        const form = new FormData();
        const asking = send('POST', '/pictures', form);
        expect(server.asked[0]?.headers['Content-Type']).toBeUndefined();
        expect(server.asked[0]?.body).toBe(form);
        await server.asked[0]?.answer(201, {});
        await asking;
    });

    it('says fault with which field, the first one as its own words', async () => {
        const asking = refusal(send('POST', '/pots', {}));
        await server.asked[0]?.answer(422, {
            message: 'The given data was invalid.',
            errors: { name: ['Give the pot a name.', 'Shorter.'], level: ['0 to 100.'] },
        });
        const refused = await asking;
        expect(refused.message).toBe('Give the pot a name.');
        expect(refused.fields).toEqual({ name: 'Give the pot a name.', level: '0 to 100.' });
    });

    it.each([
        [401, /signed out/i, true],
        [404, /no longer exists/, false],
        [409, /changed elsewhere/, false],
        [419, /open too long/, true],
        [429, /Too many requests/, true],
        [500, /our side/, true],
        [503, /our side/, true],
    ])('puts %d into words and knows whether it can be asked again', async (status, words, again) => {
        const asking = refusal(send('PATCH', '/runs/1'));
        await server.asked[0]?.answer(status, status === 409 ? { message: 'It was changed elsewhere.' } : undefined);
        const refused = await asking;
        expect(refused.message).toMatch(words);
        expect(refused.wasNotProcessed).toBe(again);
        expect(refused.isConflict).toBe(status === 409);
    });

    it('tells a connection that failed from an answer that was refused', async () => {
        const asking = refusal(send('GET', '/shelf'));
        await server.asked[0]?.breakOff();
        const refused = await asking;
        expect(refused).toMatchObject({ status: 0, isTransient: true, wasNotProcessed: true });
        expect(refused.message).toMatch(/cannot be reached/);
    });

    it('does not take an answer that was cut off for an answer', async () => {
        const asking = refusal(send('GET', '/shelf'));
        await server.asked[0]?.answer(200);
        expect((await asking).message).toMatch(/cut off/);
    });

    it('lets a question that was given up end without a word', async () => {
        const giveUp = new AbortController();
        const asking = send('GET', '/shelf', undefined, giveUp.signal);
        giveUp.abort();
        await expect(asking).rejects.toMatchObject({ name: 'AbortError' });
    });

    it('says how far an upload is', () => {
        expect(uploadWords(0.256)).toBe('Sending, 26 %');
        expect(uploadWords(null)).toBe('Reading the file');
    });
});

describe('a file on its way', () => {
    beforeEach(() => {
        document.cookie = 'XSRF-TOKEN=a%3Db%2F';
        fakeUpload();
    });

    it('says how far it is, then that it is being read, and gives what was made of it', async () => {
        const seen: (number | null)[] = [];
        const form = new FormData();
        const sending = upload<{ id: number }>('/pictures', form, (fraction) => seen.push(fraction));
        const request = FakeUpload.last;
        expect(request.open).toHaveBeenCalledWith('POST', '/pictures');
        expect(request.headers).toEqual({ Accept: 'application/json', 'X-XSRF-TOKEN': 'a=b/' });
        expect(request.sent).toBe(form);
        for (const loaded of [10, 55, 100]) request.upload.onprogress({ loaded, total: 100 });
        // Its length is not always known.
        request.upload.onprogress({ loaded: 5, total: 0 });
        expect(seen).toEqual([0.1, 0.55, null, null]);
        request.answer(201, '{"id": 7}');
        expect(await sending).toEqual({ id: 7 });
    });

    it('is refused with the reason', async () => {
        const sending = refusal(upload('/pictures', new FormData(), () => undefined));
        FakeUpload.last.answer(422, '{"errors": {"picture": ["This picture is cut off."]}}');
        expect((await sending).fields).toEqual({ picture: 'This picture is cut off.' });
    });

    it.each([
        ['a page of a server between', 413, '<html>too large</html>', /larger than Hyalin takes/],
        ['an answer that was cut off', 200, '{"id": ', /cut off. Check whether the file is there/],
        ['nothing at all', 200, '', /was cut off/],
    ])('does not take %s for success', async (_, status, text, words) => {
        const sending = refusal(upload('/pictures', new FormData(), () => undefined));
        FakeUpload.last.answer(status, text);
        expect((await sending).message).toMatch(words);
    });

    it('that never arrived can be sent again', async () => {
        const sending = refusal(upload('/pictures', new FormData(), () => undefined));
        FakeUpload.last.onerror();
        expect(await sending).toMatchObject({ status: 0, isTransient: true });
    });
});
