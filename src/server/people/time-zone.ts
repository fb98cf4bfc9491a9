import { z } from 'zod';
import { isZone } from '@/core/calendar/vtimezone';

/** A time zone that the platform knows. */
export const timeZoneSchema = z.string().max(80).refine(isZone);
