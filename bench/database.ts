/** The database behind the server that is measured. */
import { connect, readDatabase } from '@wrightonic/server';

const config = readDatabase();
export const databaseName = config.database;
export const db = connect(config);
