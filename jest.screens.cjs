// A screen may take its time on a busy machine: waiting for something to appear ends later than a second.
const { configure } = require('@testing-library/react-native');

configure({ asyncUtilTimeout: 15_000 });
