-- One plan a thread, saved over and over, each save based on the revision that the last one gave.
local threads = 0
function setup(thread)
  thread:set("id", threads)
  threads = threads + 1
end
function init(args)
  local file = io.open(args[1] .. "/" .. id .. ".json")
  body = file:read("*a")
  file:close()
  address = "/api/plans/" .. body:match('^{"id":"([%x-]+)"')
  revision, saves = 1, 0
end
function request()
  saves = saves + 1
  return wrk.format("PUT", address, {
    ["Content-Type"] = "application/json",
    ["If-Match"] = '"' .. revision .. '"',
    ["Save-Id"] = string.format("%08x-0000-4000-8000-%012x", id + 1, saves),
    ["Prefer"] = "return=minimal",
  }, body)
end
function response(status, headers, answer)
  if status == 200 then revision = tonumber(answer:match('"revision":(%d+)')) end
end
