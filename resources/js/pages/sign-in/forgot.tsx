import { Link, useForm } from '@inertiajs/react';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Entry } from '@/shared/ui/entry';
import { Notice } from '@/shared/ui/notice';
import { Door } from './door';

export default function ForgotPage({ isSent }: { isSent: boolean }) {
    const form = useForm({ email: '' });
    return (
        <Door title="Forgot the password">
            {isSent && (
                <Notice>
                    If there is an account of that address, a link is on its way to it. It works for one hour.
                </Notice>
            )}
            <form
                className="flex w-full max-w-sm flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post(url('password.email'));
                }}
            >
                <Entry form={form} of="email" kind="email" />
                <Button type="submit" look="main" disabled={form.processing}>
                    Send me a link
                </Button>
            </form>
            <Link className="text-sm underline" href={url('sign-in')}>
                Sign in
            </Link>
        </Door>
    );
}
