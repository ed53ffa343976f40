const http = require('node:http');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const icons = path.join(__dirname, 'src/ui/icons.tsx');
const next = config.resolver.resolveRequest;

// Paper asks for an icon font; our SVG paths answer instead, so that no font is shipped for a dozen signs.
config.resolver.resolveRequest = (context, name, platform) =>
  name === '@react-native-vector-icons/material-design-icons'
    ? { type: 'sourceFile', filePath: icons }
    : (next ?? context.resolveRequest)(context, name, platform);

// In development Metro serves the pages, and passes calls of the API on to the server that “npm run dev” started.
const api = process.env.API_URL;
if (api) {
  config.server.enhanceMiddleware = (metro) => (req, res, next) => {
    if (!req.url.startsWith('/api')) return metro(req, res, next);
    const to = new URL(req.url, api);
    const headers = { ...req.headers, host: to.host, ...(req.headers.origin ? { origin: to.origin } : {}) };
    const call = http.request(to, { method: req.method, headers }, (answer) => {
      res.writeHead(answer.statusCode, answer.headers);
      answer.pipe(res);
    });
    call.on('error', () => res.writeHead(502).end());
    req.pipe(call);
  };
}

module.exports = config;
