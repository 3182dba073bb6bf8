import { route, type RouteName, type RouteParams } from 'ziggy-js';
import { Ziggy } from '@/types/ziggy.js';

/** Path of a named route; routes are named once, in routes/web.php. */
export function url<T extends RouteName>(name: T, parameters?: RouteParams<T>): string {
    return route(name, parameters, false, Ziggy);
}
