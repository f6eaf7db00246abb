import Joi from 'joi';
import path from 'node:path';
import { StartError } from './startError';

export interface Config {
  port: number;
  /** The folder of the database and the attachments. */
  data: string;
  /** A folder whose folders and zips whoever is signed in may take in; null for none. */
  imports: string | null;
  /** The address people use, when a proxy stands in front; else the request's own host is taken. */
  origin: string | null;
  /** A throw-away start that opens signed in to the demo account, on loopback only. */
  isDemo: boolean;
  host: string;
  /** The folder of the built app. */
  app: string;
  logLevel: string;
  /** The most bytes of one attachment, of all of an account's, and of all that the server holds. */
  fileLimit: number;
  accountLimit: number;
  serverLimit: number;
  /** Who may make an account: anybody, only the first there is, or whoever knows the invitation. */
  signUp: SignUp;
  invitation: string | null;
  /** An upload on which nothing moves for so long is ended, in milliseconds. */
  uploadStill: number;
  /** How many proxies in front of the server are trusted to say who asks. */
  proxies: number;
}

export type SignUp = 'open' | 'first' | 'invitation';

const environment = Joi.object({
  PORT: Joi.number().port().default(4000),
  GLOSSARION_DATA: Joi.string().default(path.resolve('data')),
  GLOSSARION_IMPORTS: Joi.string().optional(),
  GLOSSARION_ORIGIN: Joi.string()
    .uri({ scheme: ['http', 'https'] })
    .optional(),
  GLOSSARION_DEMO: Joi.boolean().default(false),
  GLOSSARION_HOST: Joi.string().default('127.0.0.1'),
  GLOSSARION_APP: Joi.string().default(path.resolve('app/dist')),
  GLOSSARION_LOG: Joi.string().valid('silent', 'error', 'warn', 'info', 'debug').default('info'),
  GLOSSARION_FILE_MEGABYTES: Joi.number().positive().default(50),
  GLOSSARION_ACCOUNT_MEGABYTES: Joi.number().positive().default(4096),
  GLOSSARION_SERVER_MEGABYTES: Joi.number().positive().default(32_768),
  GLOSSARION_UPLOAD_SECONDS: Joi.number().positive().default(60),
  GLOSSARION_SIGN_UP: Joi.string().valid('open', 'first', 'invitation').default('open'),
  GLOSSARION_INVITATION: Joi.string()
    .min(8)
    .max(200)
    .when('GLOSSARION_SIGN_UP', { is: 'invitation', then: Joi.required(), otherwise: Joi.optional() }),
  GLOSSARION_PROXIES: Joi.number().integer().min(0).max(10).default(0),
}).unknown(true);

const MEGABYTE = 1_000_000;

const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];

/** Reads the settings from the environment; throws with a sentence when one makes no sense. */
export function readConfig(from: NodeJS.ProcessEnv): Config {
  const { value, error } = environment.validate(from, { abortEarly: false });
  if (error) throw new StartError(`The settings don't make sense: ${error.message}.`);
  const config: Config = {
    port: value.PORT,
    data: path.resolve(value.GLOSSARION_DATA),
    imports: value.GLOSSARION_IMPORTS ? path.resolve(value.GLOSSARION_IMPORTS) : null,
    origin: value.GLOSSARION_ORIGIN ? new URL(value.GLOSSARION_ORIGIN).origin : null,
    isDemo: value.GLOSSARION_DEMO,
    host: value.GLOSSARION_HOST,
    app: path.resolve(value.GLOSSARION_APP),
    logLevel: value.GLOSSARION_LOG,
    fileLimit: value.GLOSSARION_FILE_MEGABYTES * MEGABYTE,
    accountLimit: value.GLOSSARION_ACCOUNT_MEGABYTES * MEGABYTE,
    serverLimit: value.GLOSSARION_SERVER_MEGABYTES * MEGABYTE,
    signUp: value.GLOSSARION_SIGN_UP,
    invitation: value.GLOSSARION_INVITATION ?? null,
    uploadStill: value.GLOSSARION_UPLOAD_SECONDS * 1000,
    proxies: value.GLOSSARION_PROXIES,
  };
  if (config.isDemo && !LOOPBACK.includes(config.host)) {
    throw new StartError('The demo opens signed in and is served on loopback only; leave GLOSSARION_HOST out.');
  }
  return config;
}
