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

module.exports = config;
