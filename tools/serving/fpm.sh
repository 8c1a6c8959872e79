#!/usr/bin/env bash
# Writes what nginx and php-fpm need into a folder: fpm.sh FOLDER PORT. Both run as whoever starts them, one of them in front of the other.
set -euo pipefail
folder=$1
port=$2
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
mkdir -p "$folder/tmp"
# Two for each core: a turn computes, and hardly waits.
children=${RINGO_WORKERS:-$((2 * $(nproc)))}
cat > "$folder/php-fpm.conf" <<CONF
[global]
error_log = $folder/php-fpm.log
log_level = warning
daemonize = no
[ringo]
$([ "$(id -u)" = 0 ] && echo "user = root
group = root")
listen = $folder/php.sock
listen.mode = 0600
pm = static
pm.max_children = $children
pm.max_requests = 2000
clear_env = no
catch_workers_output = yes
php_admin_value[memory_limit] = 512M
php_admin_value[upload_max_filesize] = 64M
php_admin_value[post_max_size] = 64M
php_admin_flag[expose_php] = off
CONF
cat > "$folder/nginx.conf" <<CONF
$([ "$(id -u)" = 0 ] && echo "user root;")
worker_processes 1;
pid $folder/nginx.pid;
error_log $folder/nginx.log warn;
daemon off;
events { worker_connections 512; }
http {
    access_log off;
    server_tokens off;
    client_max_body_size 64m;
    client_body_temp_path $folder/tmp/body;
    proxy_temp_path $folder/tmp/proxy;
    fastcgi_temp_path $folder/tmp/fastcgi;
    uwsgi_temp_path $folder/tmp/uwsgi;
    scgi_temp_path $folder/tmp/scgi;
    types { text/css css; text/javascript js; image/svg+xml svg; font/woff2 woff2; application/json json; image/png png; }
    charset utf-8;
    charset_types text/css text/javascript application/json;
    gzip on;
    gzip_types text/css text/javascript application/json image/svg+xml;
    server {
        listen 127.0.0.1:$port;
        root $root/public;
        location ~ /\. { return 404; }
        location /build/assets/ { add_header Cache-Control "public, max-age=31536000, immutable"; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
        location / { add_header X-Content-Type-Options nosniff; try_files \$uri @ringo; }
        location ~ \.php\$ { return 404; }
        location @ringo {
            fastcgi_pass unix:$folder/php.sock;
            fastcgi_param SCRIPT_FILENAME $root/public/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
            fastcgi_param DOCUMENT_ROOT $root/public;
            fastcgi_param REQUEST_URI \$request_uri;
            fastcgi_param REQUEST_METHOD \$request_method;
            fastcgi_param QUERY_STRING \$query_string;
            fastcgi_param CONTENT_TYPE \$content_type;
            fastcgi_param CONTENT_LENGTH \$content_length;
            fastcgi_param SERVER_PROTOCOL \$server_protocol;
            fastcgi_param SERVER_NAME \$host;
            fastcgi_param SERVER_PORT \$server_port;
            fastcgi_param REMOTE_ADDR \$remote_addr;
            fastcgi_read_timeout 120s;
        }
    }
}
CONF
