import { Head, router, useForm } from '@inertiajs/react';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';

type Props = { demo: { email: string; password: string } | null };

export default function SignInPage({ demo }: Props) {
    const form = useForm({ email: '', password: '' });
    return (
        <main className="flex min-h-full flex-col items-center justify-center gap-6 p-6">
            <Head title="Sign in" />
            <h1 className="flex items-center gap-3 text-2xl">
                <img src="/icon.svg" alt="" width={40} height={40} />
                Hyalin
            </h1>
            <p className="max-w-md text-center text-base">
                Plan a finish before you open a pot, follow it at the bench, repeat it months later.
            </p>
            {demo !== null && <DemoEntry demo={demo} />}
            <form
                className="flex w-full max-w-sm flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post(url('sign-in.store'), {
                        onError: () => {
                            form.setData('password', '');
                        },
                    });
                }}
            >
                <Field
                    label="Name"
                    type="email"
                    autoComplete="username"
                    required
                    value={form.data.email}
                    error={form.errors.email}
                    onChange={(event) => {
                        form.setData('email', event.target.value);
                    }}
                />
                <Field
                    label="Password"
                    type="password"
                    autoComplete="current-password"
                    required
                    value={form.data.password}
                    error={form.errors.password}
                    onChange={(event) => {
                        form.setData('password', event.target.value);
                    }}
                />
                <Button type="submit" disabled={form.processing}>
                    Sign in
                </Button>
            </form>
        </main>
    );
}

function DemoEntry({ demo }: { demo: { email: string; password: string } }) {
    return (
        <section className="w-full max-w-sm border border-strong p-4">
            <h2 className="text-base">Demo</h2>
            <p className="mt-1 text-sm">
                Name <code className="font-mono">{demo.email}</code>
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
