version https://git-lfs.github.com/spec/v1
oid sha256:aaf2566f12f27b29ffffc0e52b1fa3a1ee9703c51374b80330947205ff93e3c3
size 16881698
