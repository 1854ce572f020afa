import { expose } from 'comlink';
import { coreCalls } from './core-calls';

expose(coreCalls);
