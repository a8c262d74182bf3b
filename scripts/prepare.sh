# Sourced by ./start, ./test and ./glimmer: the right Node.js, and the packages of the lock file.
if ! command -v node >/dev/null 2>&1; then
  echo "Node.js 20 is missing. Install it, then run this again." >&2
  exit 1
fi
if [ "$(node -p 'process.versions.node.split(".")[0]')" != 20 ]; then
  echo "Node.js 20 is needed; this is $(node -v)." >&2
  exit 1
fi
if ! cmp -s package-lock.json node_modules/.unruly-glimmer-lock 2>/dev/null; then
  echo "Installing packages …" >&2
  npm ci --no-progress --loglevel=error >&2
  cp package-lock.json node_modules/.unruly-glimmer-lock
fi
