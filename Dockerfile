# Calm Tray in a container. See docs/operations.md; compose.yaml has a database beside it.

FROM node:22-bookworm-slim AS build
WORKDIR /calm-tray
COPY . .
RUN npm ci --no-audit --no-fund && npm run build

FROM node:22-bookworm-slim AS packages
WORKDIR /calm-tray
COPY package.json package-lock.json ./
COPY core/package.json core/
COPY contract/package.json contract/
COPY domain/package.json domain/
COPY server/package.json server/
COPY web/package.json web/
COPY cli/package.json cli/
COPY demo/package.json demo/
COPY e2e/package.json e2e/
RUN npm ci --omit=dev --workspace server --no-audit --no-fund

FROM node:22-bookworm-slim
WORKDIR /calm-tray
ENV NODE_ENV=production
ENV HOST=0.0.0.0
ENV PORT=4180
ENV LOG_LEVEL=warn
ENV CALM_WEB_DIR=/calm-tray/web/dist
COPY --from=packages /calm-tray/ ./
COPY --from=build /calm-tray/server/dist server/dist
COPY --from=build /calm-tray/server/src/database/migrations server/src/database/migrations
COPY --from=build /calm-tray/docs/openapi.json docs/openapi.json
COPY --from=build /calm-tray/web/dist web/dist
USER node
EXPOSE 4180
HEALTHCHECK --interval=10s --timeout=3s --start-period=60s CMD ["node", "-e", "fetch('http://127.0.0.1:4180/readyz').then((res) => process.exit(res.ok ? 0 : 1), () => process.exit(1))"]
CMD ["node", "--enable-source-maps", "server/dist/main.js"]
