import { Link, useForm } from '@inertiajs/react';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Entry } from '@/shared/ui/entry';
import { Door } from './door';

export default function ResetPage({ token, email }: { token: string; email: string }) {
    const form = useForm({ token, email, password: '' });
    return (
        <Door title="Another password">
            <form
                className="flex w-full max-w-sm flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post(url('password.update'));
                }}
            >
                <Entry form={form} of="email" kind="email" />
                <Entry form={form} of="password" kind="newPassword" label="New password" />
                <Button type="submit" look="main" disabled={form.processing}>
                    Set the password
                </Button>
            </form>
            <Link className="text-sm underline" href={url('password.request')}>
                Ask for another link
            </Link>
        </Door>
    );
}
