version https://git-lfs.github.com/spec/v1
oid sha256:1bf60f9f4606ecb24feff956dfa181757951e019684e50abeda6d667d78dc6c0
size 16882210
