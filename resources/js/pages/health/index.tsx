import { Link } from '@inertiajs/react';
import { url } from '@/shared/lib/url';
import { Door } from '../sign-in/door';
import type { HealthProps } from '@/types/generated';

/** How the installation fares. */
export default function HealthPage({ isWell, checks }: { isWell: boolean; checks: readonly HealthProps[] }) {
    return (
        <Door title="Health">
            <p className="text-lg">{isWell ? 'Everything works.' : 'Something needs attention.'}</p>
            <table className="text-left">
                <tbody>
                    {checks.map((check) => (
                        <tr key={check.name} className="border-t border-line">
                            <th scope="row" className="py-1 pr-4 font-normal">
                                {check.name}
                            </th>
                            <td className={`py-1 pr-4 ${check.isWell ? '' : 'font-bold'}`}>
                                {check.isWell ? 'well' : 'not well'}
                            </td>
                            <td className="py-1">{check.words}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <Link className="text-sm underline" href={url('home')}>
                To the bench
            </Link>
        </Door>
    );
}
