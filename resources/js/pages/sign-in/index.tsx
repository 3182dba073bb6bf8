import { Link, router, useForm } from '@inertiajs/react';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Entry } from '@/shared/ui/entry';
import { Door } from './door';

type Props = { demo: { email: string; password: string } | null; canSignUp: boolean };

export default function SignInPage({ demo, canSignUp }: Props) {
    const form = useForm({ email: '', password: '' });
    const farewell =
        /^\w{40}\.zip$/.exec(new URLSearchParams(window.location.search).get('farewell') ?? '')?.[0] ?? null;
    return (
        <Door title="Sign in">
            {farewell !== null && (
                <p role="status" className="w-full max-w-sm bg-raised p-3 text-sm">
                    Your account was deleted.{' '}
                    <a className="underline" href={url('farewell', { file: farewell })}>
                        Download the copy of everything
                    </a>{' '}
                    now: this link is shown only here.
                </p>
            )}
            {demo !== null && <DemoEntry demo={demo} />}
            <form
                className="flex w-full max-w-sm flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post(url('sign-in.store'), {
                        // When it is sent and not when it is answered: what is typed meanwhile stays.
                        onStart: () => {
                            form.setData('password', '');
                        },
                    });
                }}
            >
                <Entry form={form} of="email" kind="email" />
                <Entry form={form} of="password" kind="password" />
                <Button type="submit" disabled={form.processing}>
                    Sign in
                </Button>
            </form>
            <p className="flex gap-4 text-sm">
                {canSignUp && (
                    <Link className="underline" href={url('sign-up')}>
                        Create an account
                    </Link>
                )}
                <Link className="underline" href={url('password.request')}>
                    Forgot the password?
                </Link>
            </p>
        </Door>
    );
}

function DemoEntry({ demo }: { demo: { email: string; password: string } }) {
    return (
        <section className="w-full max-w-sm border border-strong p-4">
            <h2 className="text-base">Demo</h2>
            <p className="mt-1 text-sm">
                E-mail <code className="font-mono">{demo.email}</code>
                <br />
                Password <code className="font-mono">{demo.password}</code>
            </p>
            <Button
                look="main"
                className="mt-3 w-full"
                onClick={() => {
                    router.post(url('sign-in.demo'));
                }}
            >
                Open the demo as Ines Marrow
            </Button>
        </section>
    );
}
