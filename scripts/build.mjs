import { build, setup } from './setup.mjs';

setup();
build(['core', 'server', 'cli', 'web']);
