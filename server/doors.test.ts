import type { AddressInfo } from "node:net";
import { createReadableStreamFromReadable } from "@react-router/node";
import express from "express";
import { countedBody } from "./doors";

test("an address that does not read its body answers every time, however large the body is", async () => {
  const app = express().use(countedBody, (request, response) => {
    // As the router does for every request; an address without an action leaves it unread.
    createReadableStreamFromReadable(request);
    response.status(405).send("No.");
  });
  const server = app.listen(0, "127.0.0.1");
  await new Promise((resolve) => server.once("listening", resolve));
  const { port } = server.address() as AddressInfo;
  try {
    for (const size of [1000, 150_000, 190_000])
      for (let time = 0; time < 6; time += 1) {
        const answer = await fetch(`http://127.0.0.1:${port}/`, { method: "POST", body: "x".repeat(size) });
        expect([size, answer.status, await answer.text()]).toEqual([size, 405, "No."]);
      }
    const large = await fetch(`http://127.0.0.1:${port}/`, { method: "POST", body: "x".repeat(900_000) });
    expect(large.status).toBe(413);
  } finally {
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  }
}, 20_000);
